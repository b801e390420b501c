import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'

test('what is suggested says why; one is taken by its key, all by one act, and all of it comes back', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/mapping/clusters`)
  const row = page.getByRole('row', { name: /^#7a2433/ })
  await expect(row).toContainText('open. Suggested: primary')
  await expect(row).toContainText('the most used colour with a hue')
  expect(await faults(page)).toEqual([])
  await page.getByRole('grid').focus()
  await page.keyboard.press('t')
  await expect(row).not.toContainText('Suggested')
  await expect(page.getByText(/1 is decided/)).toBeVisible()
  await page.getByRole('button', { name: /^\d+ suggestions …$/ }).click()
  const dialog = page.getByRole('dialog', { name: 'What is suggested' })
  // What would do harm stands first, with what it would do, and is not ticked.
  const first = dialog.getByRole('checkbox').first()
  await expect(first).not.toBeChecked()
  await expect(dialog.getByRole('listitem').first()).toContainText('would')
  await dialog.getByRole('button', { name: 'all', exact: true }).click()
  expect(await faults(page)).toEqual([])
  await dialog.getByRole('button', { name: /^Take the \d+ that are ticked$/ }).click()
  await expect(page.getByText(/\d\d are decided, \d\d? are open/)).toBeVisible()
  await expect(page.getByText('all saved')).toBeVisible()
  await page.reload()
  await expect(page.getByText(/\d\d are decided, \d\d? are open/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/0 are decided/)).toBeVisible()
  await expect(row).toContainText('open. Suggested: primary')
})
