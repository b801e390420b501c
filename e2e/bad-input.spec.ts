import { expect, test } from './fixtures.ts'
import { zipOf } from './zip.ts'

test('what cannot be taken in is said where it was dropped, and can be mended there', async ({ page, app }) => {
  await page.goto(app.url)
  await page.getByRole('button', { name: 'Make the site' }).click()
  await expect(page.getByText('Give the site a name')).toBeVisible()
  await page.getByLabel('Name of the site').fill('Pellan Sound Ferries')
  await page.getByRole('button', { name: 'Make the site' }).click()
  await expect(page.getByText('There is a site called Pellan Sound Ferries already')).toBeVisible()
  await page.getByLabel('Name of the site').fill('Bad input')
  await page.getByRole('button', { name: 'Make the site' }).click()

  const drop = (name: string, buffer: Buffer) =>
    page.getByLabel('ZIP or files of the site').setInputFiles({ name, mimeType: 'application/zip', buffer })
  await drop('site.zip', Buffer.from('no archive'))
  await expect(page.getByText('This is not a ZIP archive, or its end is missing')).toBeVisible()
  await drop('site.zip', await zipOf({}))
  await expect(page.getByText('There are no files in this')).toBeVisible()
  await drop('site.zip', await zipOf({ 'a.css': '0'.repeat(40 * 1024 * 1024) }))
  await expect(page.getByText('The archive unpacks to far more than it weighs')).toBeVisible()
  await expect(page.getByText('Nothing was stored.')).toBeVisible()

  await drop('site.zip', await zipOf({ 'a.css': 'a{color:red} /* open', 'b.css': '', 'c.css': '\0\0' }))
  await expect(page.getByText('3 files, 22 B, kept as received. 1 is read; 2 are not')).toBeVisible()
  await expect(page.getByText('it is empty')).toBeVisible()
  await expect(page.getByText('its bytes are no text, whatever its name says')).toBeVisible()
  await page.getByRole('link', { name: /^Ledger/ }).click()
  await page.getByRole('link', { name: /^Findings/ }).click()
  await expect(page.getByRole('grid')).toContainText('a comment that never ends')
  await expect(page.getByText('line 1, column 14')).toBeVisible()
})

test('a role that is none is refused beside its field', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  const add = page.getByRole('button', { name: 'Add the role' })
  await add.click()
  await expect(page.getByText('Give the role a name')).toBeVisible()
  await page.getByLabel('What it is for').fill('Primary')
  await page.getByLabel('Colour, in any CSS notation').fill('greenish')
  await add.click()
  await expect(page.getByText('greenish is not a colour')).toBeVisible()
  await page.getByLabel('Colour, in any CSS notation').fill('rgb(1 2 3 / 50%)')
  await add.click()
  await expect(page.getByText('A role is opaque')).toBeVisible()
  await page.getByLabel('Colour, in any CSS notation').fill('#abc')
  await add.click()
  await expect(page.getByText('There is a role called Primary already')).toBeVisible()
  await page.getByLabel('What it is for').fill('warning')
  await add.click()
  await expect(page.getByText('12 roles of the brand')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('11 roles of the brand')).toBeVisible()
})

test('a site without colours, and one without pages, say so on every screen', async ({ page, app }) => {
  await page.goto(app.url)
  await page.getByLabel('Name of the site').fill('Colourless')
  await page.keyboard.press('Enter')
  await page
    .getByLabel('ZIP or files of the site')
    .setInputFiles({ name: 's.zip', mimeType: 'application/zip', buffer: await zipOf({ 'a.css': 'a { top: 0 }' }) })
  await expect(page.getByText('No colour is written by hand in the files that were read.')).toBeVisible()
  for (const [stage, words] of [
    ['Ledger', '0 places where a colour is written by hand'],
    ['Mapping', 'The palette has no roles yet'],
    ['Look', 'This copy holds no page'],
    ['Handover', 'Nothing is decided yet'],
  ] as const) {
    await page.getByRole('link', { name: new RegExp(`^${stage}`) }).click()
    await expect(page.getByText(words)).toBeVisible()
  }
  // A plan can be brought along before anything is decided.
  await page.getByRole('button', { name: 'History' }).click()
  await expect(page.getByText('Nothing has been decided yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Import …' })).toBeEnabled()
})

test('two windows on one plan: the second is told what moved, and nothing is overwritten', async ({
  page,
  context,
  siteUrl,
}) => {
  const other = await context.newPage()
  for (const each of [page, other]) {
    await each.goto(`${siteUrl}/mapping`)
    await expect(each.getByText('0 are decided')).toBeVisible()
  }
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('1')
  await expect(page.getByText('all saved')).toBeVisible()
  await other.getByRole('grid', { name: /^Clusters/ }).focus()
  await other.keyboard.press('2')
  await expect(other.getByRole('alert')).toContainText('The plan was changed in another window')
  await expect(other.getByRole('alert')).toContainText(
    /There: .*to primary\. Not recorded here: .*to text on primary\./,
  )
  await expect(other.getByText('1 is decided')).toBeVisible()
  const row = other.getByRole('row', { name: /^#7a2433/ })
  await expect(row).toContainText('primary')
  await other.getByRole('button', { name: 'Do it after that' }).click()
  await expect(other.getByRole('alert')).toBeHidden()
  await expect(row).toContainText('text on primary')
  await expect(other.getByText('all saved')).toBeVisible()
})

test('while the server is away acts wait, say so, and are recorded once when it is back', async ({
  page,
  app,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping`)
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await app.end('SIGKILL')
  await page.keyboard.press('1')
  await expect(page.getByRole('alert')).toContainText('The server does not answer')
  await expect(page.getByText('saving …')).toBeVisible()
  await expect(page.getByText('1 is decided')).toBeVisible()
  // Who would leave is asked, by the browser or by the page.
  const asked = page.waitForEvent('dialog')
  const closing = page.close({ runBeforeUnload: true })
  await (await asked).dismiss()
  await closing
  await page.getByRole('link', { name: 'Undo Ink, all sites' }).click()
  await expect(page.getByRole('button', { name: 'Leave without saving' })).toBeVisible()
  await expect(page.getByText('1 is decided')).toBeVisible()
  await app.start()
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('heading', { name: 'Sites' })).toBeVisible()
  await page.goBack()
  await expect(page.getByText('all saved')).toBeVisible()
  await page.reload()
  await expect(page.getByText('1 is decided')).toBeVisible()
})
