import { Buffer } from 'node:buffer'
import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'

const svg = (inside: string) =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30">${inside}</svg>`)

test('a point of a page is picked by keys, and the declared colour is sought', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('button', { name: 'Pick …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Pick a colour' })
  const field = dialog.getByRole('application', { name: /^Page index.html/ })
  const frame = dialog.frameLocator('iframe')
  // The middle of the booking button, in pixels of the page's own window.
  const { x, y } = await frame.getByRole('link', { name: 'Book a crossing' }).evaluate(async (link) => {
    // Where it is, the sheets decide.
    const { ownerDocument: page } = link
    if (page.readyState !== 'complete')
      await new Promise((loaded) => page.defaultView?.addEventListener('load', loaded))
    const { left, top, width, height } = link.getBoundingClientRect()
    return { x: left + width / 2, y: top + height / 2 }
  })
  await field.click({ position: { x: x / 2 - 20, y: y / 2 } })
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight')
  await expect(dialog.getByText('text')).toBeVisible()
  expect(await faults(page)).toEqual([])
  await dialog.getByRole('radio', { name: 'ground' }).check()
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toContainText('picked #e0a526')
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toContainText('ΔE 0.00: the very same')
  await dialog.getByRole('button', { name: 'Find its places' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('searchbox')).toHaveValue('#e0a526')
})

test('a page is scrolled while it is picked from', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('button', { name: 'Pick …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Pick a colour' })
  await expect(dialog.frameLocator('iframe').getByRole('link', { name: 'Book a crossing' })).toBeVisible()
  await dialog.getByRole('application').click()
  await expect(dialog.getByRole('radio', { name: 'ground' }).first()).toBeVisible()
  await page.keyboard.press('PageDown')
  const top = () =>
    dialog
      .frameLocator('iframe')
      .locator('html')
      .evaluate(() => scrollY)
  await expect.poll(top).toBeGreaterThan(300)
  await page.keyboard.press('PageUp')
  await expect.poll(top).toBe(0)
})

test('a pixel of an image snaps to the nearest declared colour, and says by how much', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/places`)
  await page.getByRole('button', { name: 'Pick …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Pick a colour' })
  await dialog.getByRole('radio', { name: 'an image of the copy' }).click()
  await dialog.getByRole('combobox', { name: 'Image' }).selectOption('img/anchor.svg')
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toContainText('picked #7a2433')

  await dialog.getByRole('radio', { name: 'an image of mine' }).click()
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toHaveText('Point at something painted.')
  const input = dialog.locator('input[type=file]')
  const halves = '<rect width="20" height="30" fill="#802838"/><script>document.title="ran"</script>'
  await input.setInputFiles({ name: 'logo.svg', mimeType: 'image/svg+xml', buffer: svg(halves) })
  const field = dialog.getByRole('application', { name: /^logo.svg/ })
  await field.focus()
  // It begins in the middle, which is see-through.
  await expect(dialog.getByText('20, 15 of 40 × 30')).toBeVisible()
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toHaveText('Point at something painted.')
  await page.keyboard.press('ArrowLeft')
  expect(await faults(page)).toEqual([])
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toContainText('picked #802838')
  await expect(dialog.getByRole('status', { name: 'Picked colour' })).toContainText(
    'nearest declared #7d2838ΔE 0.71: not to be told apart',
  )
  expect(await page.title()).not.toBe('ran')

  await input.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no image') })
  await expect(dialog.getByRole('alert')).toContainText('This is no image.')
  await input.setInputFiles({ name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('no image') })
  await expect(dialog.getByRole('alert')).toContainText('broken.png cannot be shown')
})
