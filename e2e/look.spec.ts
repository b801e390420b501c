import type { Locator, Page } from '@playwright/test'
import { expect, test } from './fixtures.ts'

/** Where an element of a framed page is on the screen. The frames are scaled, which the runner's own mouse does not know. */
async function pointOf(page: Page, title: string, element: Locator): Promise<[number, number]> {
  await element.evaluate((node) => node.scrollIntoView({ block: 'center' }))
  const inside = await element.evaluate((node) => {
    const { left, top, width, height } = node.getBoundingClientRect()
    return { x: left + width / 2, y: top + height / 2 }
  })
  return page.locator(`iframe[title^="${title}"]`).evaluate((frame: HTMLIFrameElement, { x, y }): [number, number] => {
    const { left, top, width } = frame.getBoundingClientRect()
    const scale = width / frame.offsetWidth
    return [left + x * scale, top + y * scale]
  }, inside)
}

const MAROON = 'rgb(122, 36, 51)'
const TEAL = 'rgb(11, 110, 116)'

test('pages follow a decision in place, on hover too, and come back on undo', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping`)
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('1')
  await page.getByRole('link', { name: /^Look/ }).click()
  const after = page.frameLocator('iframe[title^="After"]')
  await expect(after.locator('.site-header')).toHaveCSS('background-color', TEAL)
  const before = page.frameLocator('iframe[title^="Before"]')
  await expect(before.locator('.site-header')).toHaveCSS('background-color', MAROON)
  const link = after.getByRole('link', { name: 'Fares are the same all year' })
  await page.mouse.move(...(await pointOf(page, 'After', link)))
  await expect(link).toHaveCSS('color', TEAL)

  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(after.locator('.site-header')).toHaveCSS('background-color', MAROON)
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(after.locator('.site-header')).toHaveCSS('background-color', TEAL)
})

test('a page that is on its way while the plan moves on shows the plan in the end', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/look`)
  const after = page.frameLocator('iframe[title^="After"]')
  await expect(after.locator('.site-header')).toHaveCSS('background-color', MAROON)
  await page.getByRole('link', { name: /^Mapping/ }).click()
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('1')
  await expect(page.getByText('all saved')).toBeVisible()
  // One sheet holds the page up, and with it the agent that would hear of the change; the others are there already.
  let release = () => {}
  const held = new Promise<void>((resolve) => {
    release = resolve
  })
  const painted = page.waitForResponse(/\/css\/main\.css/)
  await page.route(/\/css\/small\.css/, async (route) => {
    await held
    await route.continue()
  })
  await page.getByRole('link', { name: /^Look/ }).click()
  await painted
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('all saved')).toBeVisible()
  await expect(page.getByText('with 0 of')).toBeVisible()
  release()
  await expect(after.locator('.site-header')).toHaveCSS('background-color', MAROON)
})

test('links are followed in both frames, scripts of the site never run, nothing leads out', async ({
  page,
  siteUrl,
}) => {
  const outside: string[] = []
  const errors: string[] = []
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
  page.on('request', (request) => {
    const { hostname } = new URL(request.url())
    if (hostname !== '127.0.0.1' && !hostname.endsWith('.localhost')) outside.push(request.url())
  })
  await page.goto(`${siteUrl}/look`)
  const before = page.frameLocator('iframe[title^="Before"]')
  const after = page.frameLocator('iframe[title^="After"]')
  const fares = before.getByRole('link', { name: 'Fares', exact: true })
  await expect(fares).toBeVisible()
  await page.mouse.click(...(await pointOf(page, 'Before', fares)))
  await expect(after.getByRole('heading', { name: 'Fares' })).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'Page' })).toHaveValue('fares.html')
  await page.getByRole('combobox', { name: 'Page' }).selectOption('index.html')
  await expect(after.getByRole('heading', { name: /Four islands/ })).toBeVisible()
  // The site's script would make the header stick once the page has scrolled.
  await expect
    .poll(async () => {
      // A visitor scrolls step by step; the other frame follows.
      await after.locator('body').evaluate(() => window.scrollBy(0, 60))
      return before.locator('body').evaluate(() => window.scrollY)
    })
    .toBeGreaterThan(240)
  await expect(after.locator('.site-header')).not.toHaveClass(/is-stuck/)
  expect(outside).toEqual([])
  expect(errors).toEqual([])
})

test('the narrow window shows the narrow page', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/look`)
  const grid = page.frameLocator('iframe[title^="After"]').locator('.sailings')
  await expect(grid).toHaveCSS('grid-template-columns', /px .*px .*px/)
  await page.getByRole('radio', { name: /narrow/ }).click()
  await expect(grid).not.toHaveCSS('grid-template-columns', /px .*px/)
})
