import { expect, test } from './fixtures.ts'

test('a site is found by its name or its client among more than one page shows', async ({ page, app }) => {
  const { client } = await app.post('/api/sites', { name: 'Heron Chapel' })
  for (let i = 1; i <= 60; i++) await app.post('/api/sites', { name: `Lagoon ${i}`, client: { id: client.id } })
  await page.goto(app.url)
  const list = page.getByRole('main').getByRole('listitem')
  await expect(list).toHaveCount(50)
  await page.getByRole('button', { name: 'Older sites' }).press('Enter')
  await expect(page.getByText('Lagoon 10', { exact: true })).toBeVisible()
  await expect(page.getByText('Lagoon 60', { exact: true })).toHaveCount(0)

  const field = page.getByRole('searchbox', { name: 'Find a site' })
  await field.fill('goon 17')
  await expect(list).toHaveCount(1)
  await page.getByRole('link', { name: 'Lagoon 17' }).click()
  await page.goBack()
  await expect(field).toHaveValue('goon 17')
  await expect(list).toHaveCount(1)
  await field.fill('heron')
  await expect(page.getByText('61 shown')).toBeVisible()
  await field.fill('nobody')
  await expect(page.getByText('No site is called so')).toBeVisible()
  // The client is there to be chosen whatever is sought.
  await page.getByLabel('Client', { exact: true }).selectOption('Heron Chapel')
  await expect(page.getByText('serves 61 sites now')).toBeVisible()
})
