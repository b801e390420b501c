import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'

const VIEWS = [
  '/intake',
  '/intake/pages',
  '/ledger/places',
  '/ledger/places?find=%237a2433',
  '/ledger/colors',
  '/ledger/colors/%237a2433',
  '/ledger/scripts',
  '/ledger/findings',
  '/ledger/apart',
  '/mapping/clusters',
  '/mapping/palette',
  '/look',
  '/handover',
]

for (const [name, views] of [
  ['Intake and Ledger', VIEWS.slice(0, 7)],
  ['Ledger, Mapping, Look and Handover', VIEWS.slice(7)],
] as const)
  test(`${name} have no fault that axe finds`, async ({ page, siteUrl }) => {
    await page.goto(`${siteUrl}/mapping/clusters`)
    await page.getByRole('grid', { name: /^Clusters/ }).focus()
    await page.keyboard.press('1')
    await expect(page.getByText('all saved')).toBeVisible()
    for (const view of views) {
      await page.goto(siteUrl + view)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      await expect(page.getByText('Loading')).toHaveCount(0)
      expect(await faults(page), view).toEqual([])
    }
  })

test('while the colours are compared the screen has no fault that axe finds', async ({ page, siteUrl }) => {
  await page.route(/linkage/, () => {
    // Never answered: the screen stays as it is while it waits.
  })
  await page.goto(`${siteUrl}/mapping/palette`)
  await expect(page.getByText('Comparing the colours …')).toBeVisible()
  expect(await faults(page)).toEqual([])
})

test('the sites and the first intake have no fault that axe finds', async ({ page, app }) => {
  await page.goto(app.url)
  await expect(page.getByRole('heading', { name: 'Pellan Sound Ferries' })).toBeVisible()
  expect(await faults(page)).toEqual([])
  await page.getByLabel('Name of the site').fill('Empty')
  await page.keyboard.press('Enter')
  // The field went with its screen: the keyboard goes on from the title, and again when the copy is read.
  const title = page.getByRole('heading', { name: 'Intake', level: 1 })
  await expect(title).toBeFocused()
  expect(await faults(page)).toEqual([])
  await page.getByRole('button', { name: 'Choose a folder' }).focus()
  await page
    .getByLabel('ZIP or files of the site')
    .setInputFiles({ name: 'a.css', mimeType: 'text/css', buffer: Buffer.from('a { color: #7a2433 }') })
  const next = page.getByRole('link', { name: 'See the 1 place' })
  await expect(next).toBeVisible()
  await expect(title).toBeFocused()
  await page.keyboard.press('Tab')
  await expect(next).toBeFocused()
})

test('the keyboard alone reaches every part', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  await expect(page.getByRole('row', { name: /^#7a2433/ })).toBeVisible()
  const reached = new Set<string>()
  for (let i = 0; i < 45; i++) {
    await page.keyboard.press('Tab')
    const name = await page.evaluate(() => {
      const element = document.activeElement
      if (!element || element === document.body) return null
      const { outlineStyle } = getComputedStyle(element)
      const label = element.getAttribute('aria-label') ?? element.textContent ?? ''
      return `${label.slice(0, 24)}${outlineStyle === 'none' && element.tagName !== 'INPUT' ? ' WITHOUT FOCUS RING' : ''}`
    })
    if (name) reached.add(name)
  }
  const names = [...reached]
  expect(names.filter((name) => name.includes('WITHOUT'))).toEqual([])
  for (const wanted of [
    'Undo Ink, all sites',
    'History',
    'Keys',
    'white',
    '#7a2433',
    'Intake',
    'Handover',
    'near',
    'Clusters: arrow keys',
    'Keep it',
    'primary',
    'notice',
  ])
    expect(
      names.some((name) => name.startsWith(wanted)),
      wanted,
    ).toBe(true)
})
