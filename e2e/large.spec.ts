import { randomUUID } from 'node:crypto'
import { expect, test } from './fixtures.ts'
import type { AppServer } from './server.ts'

/** Takes files in under a name that no other test has, and gives the address of the site. */
async function siteOf(app: AppServer, files: Readonly<Record<string, string>>): Promise<string> {
  const site = await app.post('/api/sites', { name: `Large ${randomUUID()}` })
  const form = new FormData()
  for (const [path, text] of Object.entries(files)) form.append('files', new Blob([text]), `site/${path}`)
  await app.post(`/api/sites/${site.id}/copy`, form)
  expect((await app.whenDone(site.id)).job).toBeNull()
  return `${app.url}/sites/${site.id}`
}

test('a file of 5 MB on one line is shown with its place marked', async ({ page, app }) => {
  test.slow()
  const rules = Array.from({ length: 150_000 }, (_, i) => `.a${i}{color:#${String(100_000 + (i % 900))}}`)
  const text = rules.join('')
  expect(text.length).toBeGreaterThan(3_000_000)
  const url = await siteOf(app, { 'one.css': text.padEnd(5_000_000, ' '), 'index.html': '<p>Words' })
  await page.goto(`${url}/ledger/places?find=.a149999`)
  await expect(page.getByText('1 of 150,000 places shown, in 1 colour')).toBeVisible()
  const source = page.getByRole('region', { name: 'Source' })
  await expect(source.locator('.source-here')).toHaveText('#100599')
  await expect(source.locator('.source-here')).toBeInViewport()
})

test('a copy of 3,000 files is read while one watches or leaves', async ({ page, app }) => {
  test.slow()
  const site = await app.post('/api/sites', { name: `Many ${randomUUID()}` })
  const body = new FormData()
  for (let i = 0; i < 3000; i++) body.append('files', new Blob([`a { color: #${100_000 + i} }`]), `s/css/part-${i}.css`)
  await app.post(`/api/sites/${site.id}/copy`, body)
  await page.goto(`${app.url}/sites/${site.id}`)
  await expect(page.getByText(/[1-9]\d* of 3,000 files read/)).toBeVisible()
  await expect(page.getByRole('cell', { name: /^css\/part-\d+\.css$/ }).first()).toBeVisible()
  await page.goto(app.url)
  expect((await app.whenDone(site.id)).job).toBeNull()
  await page.goto(`${app.url}/sites/${site.id}/ledger/places`)
  await expect(page.getByText('3,000 places where a colour is written by hand, in 3,000 files of 3,000.')).toBeVisible()
})

test('a copy that is stopped on its way in leaves nothing, and can be sent again', async ({ page, app }) => {
  const site = await app.post('/api/sites', { name: `Stopped ${randomUUID()}` })
  const body = new FormData()
  for (let i = 0; i < 300; i++)
    body.append('files', new Blob([`a { color: #${100_000 + i} }`.repeat(60)]), `s/${i}.css`)
  await app.post(`/api/sites/${site.id}/copy`, body)
  await page.goto(`${app.url}/sites/${site.id}`)
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Nothing was stored.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Choose a folder' })).toBeVisible()
})

test('a copy of one colour fills every view of the ledger', async ({ page, app }) => {
  const url = await siteOf(app, { 'a.css': 'a { color: #7a2433 }' })
  await page.goto(`${url}/ledger/places?find=%237a2433`)
  await expect(page.getByRole('row', { name: /7a2433/ }).first()).toBeVisible()
  await page.goto(`${url}/ledger/colors`)
  await expect(page.getByText('1 colour in 1 place.')).toBeVisible()
  await page.goto(`${url}/ledger/colors/%237a2433`)
  await expect(page.getByText('There is no other.')).toBeVisible()
})

test('a stream that is cut is taken up again, and the copy is shown when it is read', async ({ page, app }) => {
  const site = await app.post('/api/sites', { name: `Cut ${randomUUID()}` })
  const body = new FormData()
  for (let i = 0; i < 300; i++)
    body.append('files', new Blob([`a { color: #${100_000 + i} }`.repeat(40)]), `s/${i}.css`)
  await app.post(`/api/sites/${site.id}/copy`, body)
  let streams = 0
  await page.route('**/events', async (route) => {
    streams++
    // The first one ends before anything has come.
    if (streams === 1) await route.fulfill({ contentType: 'text/event-stream', body: 'retry: 50\n\n' })
    else await route.continue()
  })
  await page.goto(`${app.url}/sites/${site.id}`)
  await expect(page.getByRole('link', { name: 'See the 12,000 places' })).toBeVisible()
  expect(streams).toBeGreaterThan(1)
})
