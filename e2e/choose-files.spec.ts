import { expect, test } from './fixtures.ts'

test('third-party code is taken in by one act and left out again, so is a generated copy', async ({
  page,
  siteUrl,
}) => {
  await page.goto(`${siteUrl}/intake`)
  await expect(page.getByText('1 file of third-party code is left out')).toBeVisible()
  await page.getByRole('button', { name: 'Take it in', exact: true }).click()
  const files = page.getByRole('region', { name: 'Files of the copy' })
  await expect(page.getByText('third-party code is left out')).toHaveCount(0)
  // Only rows in view are drawn: the last ones, then the first ones again.
  await files.evaluate((table) => table.scrollTo(0, table.scrollHeight))
  await expect(page.getByText('read; in a vendor folder')).toBeVisible()
  await expect(page.getByRole('link', { name: 'See the 389 places' })).toBeVisible()
  await page.getByRole('button', { name: 'Leave out: vendor/lantern/lantern.css' }).click()
  await expect(page.getByRole('link', { name: 'See the 364 places' })).toBeVisible()

  await files.evaluate((table) => table.scrollTo(0, 0))
  await page.getByRole('button', { name: 'Leave out: css/small.css' }).press('Enter')
  await expect(page.getByRole('link', { name: 'See the 357 places' })).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Take in: css/small.css' }).click()
  await expect(page.getByRole('link', { name: 'See the 364 places' })).toBeVisible()
})
