import { expect, test } from './fixtures.ts'

test('the pages of a site tell their sheets in order, and what no page uses', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/intake`)
  await expect(page.getByText('7 files are used by no page')).toBeVisible()
  await page.getByRole('link', { name: /^Pages/ }).click()
  await page.getByRole('button', { name: 'index.html' }).press('Enter')
  const card = page.getByRole('region', { name: 'The page index.html' })
  await expect(card.getByRole('listitem').filter({ hasText: /css|style element/ })).toHaveText([
    'css/main.css ',
    'css/season.css ',
    'css/small.css ',
    'css/print.css for print',
    'css/legacy.css only where a conditional comment holds: lt IE 9',
    'style element, line 16 ',
  ])
  const unused = page.getByRole('region', { name: 'Files that no page uses' })
  await expect(unused.getByRole('row', { name: /templates\/notice\.php/ })).toContainText('templates/notices.php')
})

test('what scripts do is listed with its threshold and both colours', async ({ page, siteUrl }) => {
  await page.goto(`${siteUrl}/ledger/scripts`)
  const row = page.getByRole('row', { name: /#tide-bar/ })
  await expect(row).toContainText('scrolled past 90 px')
  await expect(row).toContainText('#cfe1e9')
  await expect(row).toContainText('#1b2d38')
  await expect(page.getByRole('row', { name: /\.site-header/ })).toContainText('class is-stuck')
})
