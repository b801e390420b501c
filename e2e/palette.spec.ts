import { Buffer } from 'node:buffer'
import { readFileSync } from 'node:fs'
import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'
import { zipOf } from './zip.ts'

test('a mail becomes roles, after what would be made of it was seen', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Bring colours in …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring colours in' })
  await dialog
    .getByRole('textbox', { name: /^The lines of a mail/ })
    .fill('Hello!\nPrimary: #aa3311\nsun d9822b\nsoft ground #eee\nbroken #12345')
  await expect(dialog.getByRole('status')).toHaveText('3 colours, read as lines of text.')
  await expect(dialog.getByText('line 5: #12345 is no colour')).toBeVisible()
  await expect(dialog.getByText('its # was missing')).toBeVisible()
  await expect(dialog.getByRole('combobox', { name: 'What #aa3311 becomes' })).toHaveValue('primary')
  await dialog.getByRole('checkbox', { name: 'Take #eee' }).uncheck()
  await dialog.getByRole('textbox', { name: 'Name of the role of #d9822b' }).fill('accent')
  await expect(dialog.getByRole('alert')).toContainText('There is a role called accent already')
  await expect(dialog.getByRole('button', { name: 'Take 2 colours' })).toBeDisabled()
  await dialog.getByRole('textbox', { name: 'Name of the role of #d9822b' }).fill('sun')
  expect(await faults(page)).toEqual([])
  await dialog.getByRole('button', { name: 'Take 2 colours' }).click()
  await expect(page.getByRole('row', { name: /primary #aa3311/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /sun #d9822b/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('row', { name: /primary #0b6e74/ })).toBeVisible()
})

test('a token file is read, and says which of its tokens lead nowhere; a logo gives its main colours', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Bring colours in …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring colours in' })
  const tokens = {
    brand: {
      $type: 'color',
      sea: { $value: '#0b6e74' },
      deep: { $value: '{brand.sea}' },
      round: { $value: '{brand.round}' },
    },
  }
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'brand.tokens.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(tokens)),
  })
  await expect(dialog.getByRole('status')).toHaveText('brand.tokens.json: 2 colours, read as a design token file.')
  await expect(dialog.getByText('brand.round leads to itself')).toBeVisible()
  const logo = `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="30" fill="#0b6e74"/><circle cx="20" cy="15" r="8" fill="#d9822b"/></svg>`
  const input = dialog.locator('input[type=file]')
  await input.setInputFiles({ name: 'logo.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(logo) })
  await expect(dialog.getByRole('status')).toHaveText(
    /^logo\.svg: \d+ colours, read as the main colours of an image\.$/,
  )
  await expect(dialog.getByRole('textbox', { name: 'Name of the role of #0b6e74' })).toHaveValue(/^image 1, \d\d %$/)
  await expect(dialog.getByRole('checkbox', { name: 'Take #d9822b' })).toBeVisible()
  await input.setInputFiles({ name: 'y.png', mimeType: 'image/png', buffer: Buffer.from('none') })
  await expect(dialog.getByRole('alert')).toContainText('y.png cannot be shown')
  await input.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.alloc(3_000_000) })
  await expect(dialog.getByRole('alert')).toContainText('too large for a palette')
})

test('roles are moved by keys, and judged; what cannot be read takes the nearest that can', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  const names = page.getByRole('region', { name: 'Roles' }).locator('tbody tr td:nth-child(3)')
  await expect(names.first()).toHaveText('primary')
  await page.getByRole('button', { name: /^Move primary:/ }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByText('primary is over primary')).toBeAttached()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByText('primary is over text on primary')).toBeAttached()
  await page.keyboard.press('Space')
  await expect(names.first()).toHaveText('text on primary')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(names.first()).toHaveText('primary')

  const strip = page.getByRole('region', { name: 'On soft ground' })
  await expect(strip).toContainText('4.26▲ large text only')
  await strip.getByRole('button', { name: /^Make notice #[\da-f]{6}, the nearest/ }).click()
  await expect(strip).not.toContainText('large text only')
  await page.getByRole('button', { name: 'Change notice' }).click()
  const form = page.getByRole('region', { name: 'Change notice' })
  await form.getByRole('checkbox', { name: 'soft ground' }).uncheck()
  await form.getByRole('button', { name: 'Save the change' }).click()
  await expect(strip).not.toContainText('notice')
  await expect(page.getByText('all saved')).toBeVisible()
  await page.reload()
  await expect(strip).toContainText('soft text')
  await expect(strip).not.toContainText('notice')
})

test('the palette is seen with other eyes, and tells which roles look alike', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  const panel = page.getByRole('region', { name: 'Readability' })
  const sample = panel.getByRole('region', { name: 'On primary' }).locator('.specimen')
  await expect(sample).toHaveCSS('background-color', 'rgb(11, 110, 116)')
  await panel.getByRole('radio', { name: 'protanopia' }).click()
  await expect(sample).not.toHaveCSS('background-color', 'rgb(11, 110, 116)')
  await page.getByLabel('What it is for').fill('sage')
  await page.getByLabel('Colour, in any CSS notation').fill('#0b6e73')
  await page.getByRole('button', { name: 'Add the role' }).click()
  await panel.getByRole('radio', { name: 'everybody' }).click()
  await expect(panel.getByText(/^▲ primary and sage are nearly the same, ΔE 0\.\d$/)).toBeVisible()
})

test('a specimen is painted with the palette, and each part of it leads to its role', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('radio', { name: 'specimen' }).click()
  const book = page.getByRole('button', { name: 'Book: change primary' })
  await expect(book).toHaveCSS('background-color', 'rgb(11, 110, 116)')
  expect(await faults(page)).toEqual([])
  await book.focus()
  await page.keyboard.press('Enter')
  await page.getByLabel('Colour, in any CSS notation').fill('#7a2433')
  await page.keyboard.press('Enter')
  await expect(book).toHaveCSS('background-color', 'rgb(122, 36, 51)')
})

test('the palette is written out, and read back', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Export' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Palette file (.gpl)' }).click()
  const file = await download
  expect(file.suggestedFilename()).toMatch(/palette\.gpl$/)
  const text = readFileSync(await file.path(), 'utf8')
  expect(text.startsWith('GIMP Palette\n')).toBe(true)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Bring colours in …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring colours in' })
  await dialog.getByRole('textbox', { name: /^The lines of a mail/ }).fill(text)
  await expect(dialog.getByRole('status')).toHaveText('11 colours, read as a palette file.')
  await expect(dialog.getByRole('combobox', { name: /becomes$/ }).first()).toHaveValue('primary')
})

test('states are proposed for a role, and follow it when it changes', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Change link' }).click()
  const form = page.getByRole('region', { name: 'Change link' })
  await form.getByRole('button', { name: 'Add its states' }).click()
  const hover = page.getByRole('row', { name: /link hover #[\da-f]{6} link, darker/ })
  await expect(hover).toBeVisible()
  await expect(page.getByRole('row', { name: /link visited/ })).toBeVisible()
  const before = await hover.textContent()
  await page.getByRole('button', { name: 'Change link', exact: true }).click()
  await form.getByLabel('Colour, in any CSS notation').fill('#7a2433')
  await form.getByRole('button', { name: 'Save the change' }).click()
  await expect(page.getByRole('row', { name: /link #7a2433/ })).toBeVisible()
  await expect(hover).not.toHaveText(before ?? '')

  await page.getByRole('button', { name: 'Change accent' }).click()
  const accent = page.getByRole('region', { name: 'Change accent' })
  await accent.getByRole('combobox', { name: 'Its colour is' }).selectOption({ label: 'made from primary' })
  await accent.getByRole('slider', { name: /^darker/ }).fill('0.2')
  await accent.getByRole('combobox', { name: 'Hue' }).selectOption({ label: 'complementary' })
  await accent.getByRole('button', { name: 'Save the change' }).click()
  await expect(page.getByRole('row', { name: /accent #[\da-f]{6} primary, lighter, turned 180°/ })).toBeVisible()
})

test('the colour of a role is picked from an image of the copy', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByLabel('What it is for').fill('anchor')
  await page.getByRole('button', { name: 'Pick …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Pick a colour' })
  await dialog.getByRole('radio', { name: 'an image of the copy' }).click()
  await dialog.getByRole('combobox', { name: 'Image' }).selectOption('img/anchor.svg')
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toHaveText('picked #7a2433')
  await dialog.getByRole('button', { name: 'Take this colour' }).click()
  await expect(page.getByLabel('Colour, in any CSS notation')).toHaveValue('#7a2433')
  await page.getByRole('button', { name: 'Add the role' }).click()
  await expect(page.getByRole('row', { name: /anchor #7a2433/ })).toBeVisible()
})

test('a role that is in use is removed after saying where its places go', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping`)
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('1')
  await expect(page.getByText('1 is decided')).toBeVisible()
  await page.getByRole('link', { name: /^Palette/ }).click()
  await page.getByRole('button', { name: 'Remove notice' }).click()
  await expect(page.getByRole('row', { name: /notice/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Remove primary', exact: true }).click()
  const dialog = page.getByRole('alertdialog', { name: 'Remove primary' })
  await expect(dialog).toContainText('56 places take it')
  await dialog.getByRole('combobox', { name: 'They' }).selectOption({ label: 'take accent' })
  await dialog.getByRole('button', { name: 'Remove it' }).click()
  await expect(page.getByRole('row', { name: /accent.*ground 56/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /primary #0b6e74/ })).toHaveCount(0)
})

test('three hex codes become a palette of twelve roles that can be read, by keys alone', async ({ page, app }) => {
  const { keyboard } = page
  await page.goto(app.url)
  await page.getByLabel('Name of the site').fill('Three codes')
  await keyboard.press('Enter')
  await page.getByLabel('ZIP or files of the site').setInputFiles({
    name: 's.zip',
    mimeType: 'application/zip',
    buffer: await zipOf({ 'a.css': 'a { color: #7a2433 }' }),
  })
  await page.getByRole('link', { name: /^Mapping/ }).click()
  await page.getByRole('link', { name: 'Make the palette' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring colours in' })
  await page.getByRole('button', { name: 'Bring colours in …' }).focus()
  await keyboard.press('Enter')
  await dialog.getByRole('textbox', { name: /^The lines of a mail/ }).focus()
  await keyboard.type('primary 0b6e74\naccent #d9822b\ntext: #1f2a30')
  await dialog.getByRole('button', { name: 'Take 3 colours' }).focus()
  await keyboard.press('Enter')
  await expect(page.getByText('3 roles of the brand.')).toBeVisible()
  await page.getByRole('button', { name: 'Bring colours in …' }).focus()
  await keyboard.press('Enter')
  await dialog.getByRole('button', { name: 'Propose what is lacking' }).focus()
  await keyboard.press('Enter')
  await expect(dialog.getByRole('status')).toHaveText('10 colours proposed.')
  await dialog.getByRole('button', { name: 'Take 10 colours' }).focus()
  await keyboard.press('Enter')
  await expect(
    page.getByText('13 roles of the brand. Every text and line is readable on its grounds.', { exact: false }),
  ).toBeVisible()
})

test('the same site, but green: its colours turned are proposed, and a sheet of the palette is written', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Bring colours in …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring colours in' })
  const target = dialog.getByLabel('Or the site’s own colours, turned to')
  await target.fill('#777777')
  await expect(dialog.getByText('A grey has no hue to turn to.')).toBeVisible()
  await target.fill('#2e6f4e')
  await dialog.getByRole('button', { name: 'Propose', exact: true }).click()
  await expect(dialog.getByRole('textbox', { name: 'Name of the role of #ffffff' })).toHaveValue(
    'scheme 2, was #ffffff',
  )
  await dialog.getByRole('button', { name: 'Take 12 colours' }).click()
  await expect(page.getByRole('row', { name: /scheme 1, was #7a2433/ })).toBeVisible()
  await page.getByRole('button', { name: 'Export' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Sheet to print' }).click()
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('scheme 1, was #7a2433')
})
