import { Buffer } from 'node:buffer'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { crc32, deflateSync } from 'node:zlib'
import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'
import { ROOT } from './server.ts'
import { zipOf } from './zip.ts'

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
  await dialog.getByRole('combobox', { name: 'Name of the role of #d9822b' }).fill('accent')
  await expect(dialog.getByRole('alert')).toContainText('There is a role called accent already')
  await expect(dialog.getByRole('button', { name: 'Take 2 colours' })).toBeDisabled()
  await dialog.getByRole('combobox', { name: 'Name of the role of #d9822b' }).fill('sun')
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

test('a specimen is painted with the palette, and each role is changed on it, seen before it is taken', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('radio', { name: 'specimen' }).click()
  const book = page.getByRole('button', { name: 'Book: change primary' })
  await expect(book).toHaveCSS('background-color', 'rgb(11, 110, 116)')
  expect(await faults(page)).toEqual([])
  await book.focus()
  await page.keyboard.press('Enter')
  const field = page.getByRole('textbox', { name: 'primary', exact: true })
  await expect(field).toBeFocused()
  await field.fill('#7a2433')
  await expect(book).toHaveCSS('background-color', 'rgb(122, 36, 51)')
  expect(await faults(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(book).toHaveCSS('background-color', 'rgb(11, 110, 116)')
  await book.press('Enter')
  await field.fill('#12345')
  await expect(page.getByRole('button', { name: 'Take it' })).toBeDisabled()
  await field.fill('#7a2433')
  await page.keyboard.press('Enter')
  await expect(field).toBeHidden()
  await expect(page.getByRole('row', { name: /primary #7a2433/ })).toBeVisible()
  await book.click()
  await page.getByRole('button', { name: 'More …' }).click()
  await expect(page.getByRole('region', { name: 'Change primary' })).toBeVisible()
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
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Bring colours in …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring colours in' })
  const target = dialog.getByLabel('Or the site’s own colours, turned to')
  await target.fill('#777777')
  await expect(dialog.getByText('There is nothing to turn: a grey has no hue.')).toBeVisible()
  await target.fill('#2e6f4e')
  await dialog.getByRole('checkbox', { name: '#e0a526' }).check()
  await dialog.getByRole('button', { name: 'Propose', exact: true }).click()
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

test('a role has a value in a dark scheme, which is judged, corrected and written out', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Change ground' }).click()
  const form = page.getByRole('region', { name: 'Change ground' })
  await form.getByText('Description, dark scheme, print').click()
  await form.getByLabel('Description').fill('Behind everything')
  await form.getByLabel('In a dark scheme').fill('#1418')
  await form.getByRole('button', { name: 'Save the change' }).click()
  await expect(form.getByText('A role is opaque')).toBeVisible()
  await form.getByLabel('In a dark scheme').fill('#14181a')
  expect(await faults(page)).toEqual([])
  await form.getByRole('button', { name: 'Save the change' }).click()
  await expect(page.getByRole('row', { name: /ground Behind everything #fbfaf6/ })).toContainText('dark')
  await page.getByRole('radio', { name: 'dark', exact: true }).click()
  const strip = page.getByRole('region', { name: 'On ground' })
  await strip.getByRole('button', { name: /^Make text #[\da-f]{6}, the nearest/ }).click()
  await expect(page.getByRole('row', { name: /text #1f2a30/ })).toContainText('dark')
  expect(await faults(page)).toEqual([])
  await page.getByRole('button', { name: 'Export' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Custom properties' }).click()
  const css = readFileSync(await (await download).path(), 'utf8')
  expect(css).toMatch(/@media \(prefers-color-scheme: dark\) \{\n {2}:root \{\n {4}--ground: #14181a;\n {4}--text: #/)
})

test('the most used colours of another site are offered by what they paint; what cannot be read is said', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/palette`)
  await page.getByRole('button', { name: 'Bring colours in …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring colours in' })
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

test('another site of the client moves the palette on; this one is shown what that moves, and moves when that is accepted', async ({
  page,
  app,
  siteUrl,
}) => {
  const site = await (await fetch(`${app.url}/api/sites/${siteUrl.split('/').at(-1)}`)).json()
  await page.goto(app.url)
  await page.getByLabel('Name of the site').fill('Night boats')
  await page.getByRole('combobox', { name: 'Client' }).selectOption(site.client.name)
  await expect(page.getByText('It takes the client’s palette, which serves 1 site now.')).toBeVisible()
  await page.getByRole('button', { name: 'Make the site' }).click()
  await page.getByLabel('ZIP or files of the site').setInputFiles({
    name: 's.zip',
    mimeType: 'application/zip',
    buffer: await zipOf({ 'a.css': 'a { color: #7a2433 }' }),
  })
  await page.getByRole('link', { name: /^Mapping/ }).click()
  await page.getByRole('button', { name: 'primary', exact: true }).click()
  await page.getByRole('link', { name: /^Palette/ }).click()
  await expect(page.getByText(`1 other site of ${site.client.name} stays until moved on.`)).toBeVisible()
  await page.getByRole('radio', { name: 'specimen' }).click()
  await page.getByRole('button', { name: 'Book: change primary' }).click()
  await page.getByRole('textbox', { name: 'primary', exact: true }).fill('#114488')
  await page.keyboard.press('Enter')
  await expect(page.getByText('all saved')).toBeVisible()

  await page.goto(`${siteUrl}/mapping/clusters`)
  await page.getByRole('button', { name: 'primary', exact: true }).click()
  await expect(page.getByText('has a newer version, 3, made for Night boats')).toBeVisible()
  expect(await faults(page)).toEqual([])
  await page.getByRole('link', { name: /^Palette/ }).click()
  await expect(page.getByRole('button', { name: 'Change primary', exact: true })).toBeDisabled()
  await page.getByRole('button', { name: 'See what it would move …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Versions of the palette' })
  await expect(dialog.getByRole('status')).toHaveText('1 role differs. 56 places of this site would change colour.')
  expect(await faults(page)).toEqual([])
  await dialog.getByRole('button', { name: 'Move this site to version 3' }).click()
  await expect(page.getByText(/has a newer version/)).toBeHidden()
  await expect(page.getByRole('row', { name: /primary #114488/ })).toContainText('56')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/has a newer version/)).toBeVisible()
  await expect(page.getByRole('row', { name: /primary #0b6e74/ })).toContainText('56')
})
