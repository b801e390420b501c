import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'

test('the tolerance is set on the curve of clusters, seen while it moves, and is one act', async ({
  page,
  app,
  siteUrl,
}) => {
  const { snapshot } = await (await fetch(`${app.url}/api/sites/${siteUrl.split('/').at(-1)}`)).json()
  const acts = async () => (await (await fetch(`${app.url}/api/plans/${snapshot.planId}`)).json()).version
  await page.goto(`${siteUrl}/mapping/clusters`)
  const slider = page.getByRole('slider', { name: /^Tolerance on the curve/ })
  await expect(page.getByText(/^76 clusters stand for 119 colours/)).toBeVisible()
  await slider.focus()
  await page.keyboard.down('ArrowRight')
  await page.keyboard.down('ArrowRight')
  await expect(slider).toHaveAttribute('aria-valuetext', /^ΔE 2\.2, near: \d\d clusters$/)
  // Not yet an act: the key is still down.
  expect(await acts()).toBe(1)
  await page.keyboard.up('ArrowRight')
  await expect.poll(acts).toBe(2)
  await page.reload()
  await expect(slider).toHaveValue('2.2')
  await page.getByRole('radio', { name: /^similar/ }).click()
  await expect(slider).toHaveValue('5')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(slider).toHaveValue('2.2')
  expect(await faults(page)).toEqual([])
})

test('the shades of a decided colour follow it as one act, and are open again when it is taken back', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  await page.getByRole('button', { name: 'primary', exact: true }).click()
  await page.getByRole('button', { name: /^Its \d+ open shades …$/ }).click()
  const shades = page.getByRole('dialog', { name: 'Shades of #7a2433' })
  await expect(shades.getByRole('checkbox', { name: /#943a4b becomes #/ })).toBeChecked()
  expect(await faults(page)).toEqual([])
  await shades.getByRole('button', { name: /^Let \d+ shades follow$/ }).click()
  const shade = page.getByRole('row', { name: /^#943a4b/ })
  await expect(shade).toContainText('follows #7a2433')
  await expect(page.getByText('all saved')).toBeVisible()
  await page.reload()
  await expect(shade).toContainText('follows #7a2433')
  await page.getByRole('button', { name: 'Leave it open' }).click()
  await expect(shade).toContainText('open: what it follows is open')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(shade).toContainText('follows #7a2433')
  await page.getByRole('button', { name: 'History' }).click()
  await expect(page.getByText(/#943a4b|colours follows #7a2433/).first()).toBeVisible()
})

test('what would no longer be seen is said before it is decided: a hover that looks like rest', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  await page.getByRole('button', { name: 'primary', exact: true }).click()
  await page.getByRole('row', { name: /^#943a4b/ }).click()
  await page.getByRole('button', { name: 'primary', exact: true }).focus()
  const panel = page.getByRole('region', { name: 'Consequence' })
  await expect(panel.getByText('A state would look like rest')).toBeVisible()
  await expect(panel).toContainText(/would not change any more: hover, and \d+ others? too/)
  expect(await faults(page)).toEqual([])
})

test('a cluster takes a colour of no role, or its parent’s; what cannot be written so is said before', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  const row = page.getByRole('row', { name: /^#7a2433/ })
  await page.getByRole('button', { name: 'Something else' }).click()
  const popup = page.getByRole('dialog', { name: 'Something else' })
  await expect(popup.getByText('Nothing is decided yet that it could follow.')).toBeVisible()
  await expect(popup.getByText(/^In 14 of 56 places: elsewhere nothing comes from a parent/)).toBeVisible()
  await popup.getByLabel('A colour of no role').fill('rgb(10 20 30)')
  expect(await faults(page)).toEqual([])
  await popup.getByRole('button', { name: 'Take it' }).click()
  await expect(row).toContainText('#0a141e')
  await page.getByRole('button', { name: 'Something else' }).click()
  await popup.getByRole('button', { name: 'Take the parent’s colour' }).click()
  await expect(row).toContainText('42 open: it cannot take its parent’s colour, 14 the colour of its parent')
  await page.goto(`${siteUrl}/handover`)
  await expect(page.getByText('inherit').first()).toBeVisible()
})

test('clusters are put together and taken apart by hand, and stay so when the tolerance moves', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  await page.getByRole('button', { name: 'Its colours' }).click()
  const popup = page.getByRole('dialog', { name: 'Its colours' })
  await popup.getByRole('checkbox', { name: 'Tick #7d2838' }).check()
  expect(await faults(page)).toEqual([])
  await popup.getByRole('button', { name: 'Set the ticked apart' }).click()
  await expect(page.getByText(/^77 clusters stand for/)).toBeVisible()
  await page.getByRole('button', { name: 'Its colours' }).click()
  await popup.getByRole('combobox', { name: 'Put together with' }).selectOption('#7d2838')
  await popup.getByRole('button', { name: 'Join' }).click()
  await expect(page.getByText(/^76 clusters stand for/)).toBeVisible()
  const row = page.getByRole('row', { name: /^#7a2433/ })
  await expect(row).toContainText('by hand')
  await page.getByRole('radio', { name: /^just noticeable/ }).click()
  await expect(row).toContainText('56 places')
  await page.getByRole('button', { name: 'Its colours' }).click()
  await popup.getByRole('button', { name: 'Let the tolerance decide' }).click()
  await expect(row).not.toContainText('by hand')
})

test('a point of the history is named, and returned to without losing what came after', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  const row = page.getByRole('row', { name: /^#7a2433/ })
  await page.getByRole('button', { name: 'primary', exact: true }).click()
  await expect(row).not.toContainText('open')
  await page.getByRole('button', { name: 'History' }).click()
  const drawer = page.getByRole('dialog', { name: 'History' })
  await drawer.getByLabel('Name this point').fill('shown to the client')
  await page.keyboard.press('Enter')
  await expect(drawer.getByText('Point: shown to the client')).toBeVisible()
  expect(await faults(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(drawer).toBeHidden()
  await page.getByRole('button', { name: 'accent', exact: true }).click()
  await expect(row).toContainText('accent')
  await page.getByRole('button', { name: 'History' }).click()
  await drawer.getByRole('button', { name: 'Return to it' }).click()
  await expect(drawer.getByText('Returned to shown to the client')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(row).not.toContainText('accent')
  await expect(page.getByText('all saved')).toBeVisible()
  await page.reload()
  await expect(row).toContainText('primary')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row).toContainText('accent')
})
