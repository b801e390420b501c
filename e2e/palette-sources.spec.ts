import { Buffer } from 'node:buffer'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { crc32, deflateSync } from 'node:zlib'
import type { Locator, Page } from '@playwright/test'
import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'
import { ROOT } from './server.ts'
import { zipOf } from './zip.ts'

async function openBringIn(page: Page, siteUrl: string): Promise<Locator> {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Bring colours in …' }).click()
  return page.getByRole('dialog', { name: 'Bring colours in' })
}

/** A PNG of one colour. */
function blackPng(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data])
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
    length.writeUInt32BE(data.length)
    sum.writeUInt32BE(crc32(body))
    return Buffer.concat([length, body, sum])
  }
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width, 0)
  head.writeUInt32BE(height, 4)
  // One bit for each pixel, a grey.
  head[8] = 1
  const rows = Buffer.alloc((Math.ceil(width / 8) + 1) * height)
  const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
  return Buffer.concat([
    signature,
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

test('a mail becomes roles, after what would be made of it was seen', async ({ page, siteUrl }) => {
  const dialog = await openBringIn(page, siteUrl)
  await dialog
    .getByRole('textbox', { name: /^The lines of a mail/ })
    .fill('Hello!\nPrimary: #aa3311\nsun d9822b\nsoft ground #eee\nbroken #12345')
  await expect(dialog.getByRole('status')).toHaveText('3 colours, read as lines of text.')
  await expect(dialog.getByText('line 5: #12345 is no colour')).toBeVisible()
  await expect(dialog.getByText('its # was missing')).toBeVisible()
  await expect(dialog.getByRole('combobox', { name: 'What #aa3311 becomes' })).toHaveValue('primary')
  await dialog.getByRole('checkbox', { name: 'Take #eee' }).uncheck()
  await dialog.getByRole('combobox', { name: 'Name of the role of #d9822b' }).fill('accent')
  await expect(dialog.getByRole('alert')).toContainText('There is a role called accent already')
  await expect(dialog.getByRole('button', { name: 'Take 2 colours' })).toBeDisabled()
  await dialog.getByRole('combobox', { name: 'Name of the role of #d9822b' }).fill('sun')
  expect(await faults(page)).toEqual([])
  await dialog.getByRole('button', { name: 'Take 2 colours' }).click()
  await expect(page.getByRole('row', { name: /primary #aa3311/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /sun .*#d9822b/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('row', { name: /primary #0b6e74/ })).toBeVisible()
})

test('a token file is read, and says which of its tokens lead nowhere; a logo gives its main colours', async ({
  page,
  siteUrl,
}) => {
  const dialog = await openBringIn(page, siteUrl)
  const tokens = {
    brand: {
      $type: 'color',
      sea: { $value: '#0b6e74' },
      deep: { $value: '{brand.sea}' },
      round: { $value: '{brand.round}' },
    },
  }
  await dialog.getByLabel('Palette file').setInputFiles({
    name: 'brand.tokens.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(tokens)),
  })
  await expect(dialog.getByRole('status')).toHaveText('brand.tokens.json: 2 colours, read as a design token file.')
  await expect(dialog.getByText('brand.round leads to itself')).toBeVisible()
  const logo = `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="30" fill="#0b6e74"/><circle cx="20" cy="15" r="8" fill="#d9822b"/></svg>`
  const input = dialog.getByLabel('Palette file')
  await input.setInputFiles({ name: 'logo.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(logo) })
  await expect(dialog.getByRole('status')).toHaveText(
    /^logo\.svg: \d+ colours, read as the main colours of an image\.$/,
  )
  await expect(dialog.getByRole('combobox', { name: 'Name of the role of #0b6e74' })).toHaveValue(/^image 1, \d\d %$/)
  await expect(dialog.getByRole('checkbox', { name: 'Take #d9822b' })).toBeVisible()
  await input.setInputFiles({ name: 'large.png', mimeType: 'image/png', buffer: blackPng(8000, 6250) })
  await expect(dialog.getByRole('status')).toHaveText(
    'large.png: 1 colour, read as the main colours of an image. It is 8,000 pixels wide, and was read smaller.',
  )
  await input.setInputFiles({ name: 'y.png', mimeType: 'image/png', buffer: Buffer.from('none') })
  await expect(dialog.getByRole('alert')).toContainText('y.png cannot be shown')
  await input.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.alloc(3_000_000) })
  await expect(dialog.getByRole('alert')).toContainText('too large for a palette')
})

test('three hex codes and a logo become a palette of more than twelve roles that can be read, by keys alone', async ({
  page,
  app,
}) => {
  const { keyboard } = page
  const press = async (name: string | RegExp, key = 'Enter') => {
    await page.getByRole('button', { name, disabled: false }).focus()
    await keyboard.press(key)
  }
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
  await press('Bring colours in …')
  await dialog.getByRole('textbox', { name: /^The lines of a mail/ }).focus()
  await keyboard.type('Main colour 0b6e74\nHighlight #d9822b\nink: #1f2a30')
  await expect(dialog.getByText('sent as “Main colour”')).toBeVisible()
  await press('Take 3 colours')
  await expect(page.getByText('3 roles of the brand.')).toBeVisible()
  // The focus is back before the dialog is opened again.
  await expect(page.getByRole('button', { name: 'Bring colours in …' })).toBeFocused()

  await press('Bring colours in …')
  const logo = `<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><script>document.title = 'ran'</script>
    <rect width="40" height="40" fill="#0b6e74"/><rect x="40" width="20" height="40" fill="#b33a2b" onclick="alert(1)"/></svg>`
  await dialog
    .getByLabel('Palette file')
    .setInputFiles({ name: 'logo.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(logo) })
  await expect(dialog.getByText('nearly the same as primary')).toBeVisible()
  const name = dialog.getByRole('combobox', { name: 'Name of the role of #b33a2b' })
  await name.focus()
  await keyboard.press('Control+A')
  await keyboard.type('sail')
  await press('Take 1 colour')
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('button', { name: 'Bring colours in …' })).toBeFocused()
  await press(/^Propose the 10 roles that are lacking/)
  await expect(dialog.getByRole('status')).toHaveText('10 colours proposed.')
  await press('Take 10 colours')
  await expect(
    page.getByText('14 roles of the brand. Every text and line is readable on its grounds.', { exact: false }),
  ).toBeVisible()
  await expect(page).toHaveTitle('Palette – Undo Ink')
})

test('the same site, but green: its colours turned are proposed, and a sheet of the palette is written', async ({
  page,
  siteUrl,
}) => {
  const dialog = await openBringIn(page, siteUrl)
  const target = dialog.getByLabel('Or the site’s own colours, turned to')
  await target.fill('#777777')
  await expect(dialog.getByText('There is nothing to turn: a grey has no hue.')).toBeVisible()
  await target.fill('#2e6f4e')
  await dialog.getByRole('checkbox', { name: '#e0a526' }).check()
  await dialog.getByRole('button', { name: 'Propose as roles' }).click()
  await expect(dialog.getByRole('combobox', { name: 'Name of the role of #ffffff' })).toHaveValue(
    'scheme 2, was #ffffff',
  )
  await expect(dialog.getByRole('combobox', { name: 'Name of the role of #e0a526' })).toHaveValue(
    'scheme 4, was #e0a526',
  )
  await dialog.getByRole('button', { name: 'Take 12 colours' }).click()
  await expect(page.getByRole('row', { name: /scheme 1, was #7a2433/ })).toBeVisible()
  await page.getByRole('button', { name: 'Export' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Sheet to print' }).click()
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('scheme 1, was #7a2433')
})

test('the most used colours of another site are offered by what they paint; what cannot be read is said', async ({
  page,
  siteUrl,
}) => {
  const dialog = await openBringIn(page, siteUrl)
  const input = dialog.getByLabel('Palette file')
  const css = 'a { color: #123456 } b { color: #123457 } p { background: #fedcba }'
  const zip = await zipOf({ 'x/a.css': css, 'x/i.html': '<p style="color:#123456">', 'x/l.png': 'none' })
  await input.setInputFiles({ name: 'other.zip', mimeType: 'application/zip', buffer: zip })
  await expect(dialog.getByRole('status')).toHaveText('other.zip: 2 colours, read as the most used colours of a site.')
  const named = (color: string) => dialog.getByRole('combobox', { name: `Name of the role of ${color}` })
  await expect(named('#123456')).toHaveValue('text 1, 3 places')
  await expect(named('#fedcba')).toHaveValue('ground 1, 1 place')
  await input.setInputFiles({ name: 'no.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') })
  await expect(dialog.getByRole('alert')).toContainText('This is no ZIP that can be read')
  const empty = await zipOf({ 'l.png': 'none' })
  await input.setInputFiles({ name: 'empty.zip', mimeType: 'application/zip', buffer: empty })
  await expect(dialog.getByRole('alert')).toContainText('no stylesheet, page or other text')
  await dialog.getByLabel('Folder of another site').setInputFiles(join(ROOT, 'demo', 'site'))
  await expect(named('#7a2433')).toHaveValue(/^\w+ 1, 5\d places$/)
})
