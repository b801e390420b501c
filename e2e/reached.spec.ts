import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { faults } from './axe.ts'
import { expect, test } from './fixtures.ts'
import type { AppServer } from './server.ts'

const ROLES = [
  { id: 'p', name: 'primary', color: '#0e5a4f' },
  { id: 'g', name: 'ground', color: '#fbfaf6' },
]

/** A site of some texts, with a palette; gives the address of its screens. */
async function siteOf(app: AppServer, files: Record<string, string>): Promise<string> {
  const site = await app.post('/api/sites', { name: `Reached ${randomUUID()}` })
  const form = new FormData()
  for (const [path, text] of Object.entries(files)) form.append('files', new Blob([text]), `site/${path}`)
  await app.post(`/api/sites/${site.id}/copy`, form)
  const { snapshot } = await app.whenDone(site.id)
  await app.post(`/api/plans/${snapshot.planId}/palette`, { id: randomUUID(), version: 0, roles: ROLES })
  return `${app.url}/sites/${site.id}`
}

const giveFirst = async (page: Page, url: string) => {
  await page.goto(`${url}/mapping/clusters`)
  await page.getByRole('grid', { name: /^Clusters/ }).focus()
  await page.keyboard.press('1')
  await expect(page.getByText('all saved')).toBeVisible()
}

test('a sheet that pages load and that is left out is said on every screen, is the reason for what is left, and is taken in by one act', async ({
  page,
  app,
}) => {
  const library = `/*!\n * Slides v4.2.1\n * Licensed under MIT\n */${'.slide{color:#7a2433}'.repeat(100)}`
  const html = (body: string) =>
    `<!doctype html><html><head><link rel=stylesheet href="/css/slides.min.css"><link rel=stylesheet href="/css/own.css"></head><body>${body}</body></html>`
  const url = await siteOf(app, {
    // The site lies in a folder of the copy, its addresses start at its own root.
    'public/index.html': html('<h1>Own</h1><p class=slide>Slide</p>'),
    'public/partials/about.html': html('<h1>About</h1>'),
    'public/css/slides.min.css': library,
    'public/css/own.css': 'h1{color:#7a2433}',
    'notes.txt': 'beside it',
  })
  await giveFirst(page, url)
  const bar = page.getByText('2 of 2 pages load public/css/slides.min.css, left out as third-party code.')
  for (const stage of ['intake', 'intake/pages', 'look', 'mapping/clusters', 'handover']) {
    await page.goto(`${url}/${stage}`)
    await expect(bar).toBeVisible()
  }
  const check = page.getByRole('region', { name: 'Check of the pages' })
  await expect(check.getByText('1 element on 1 of 2 pages still shows')).toBeVisible()
  await check.getByText('Which, and why').click()
  await expect(check.getByText('public/css/slides.min.css is left out')).toBeVisible()
  expect(await faults(page)).toEqual([])
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(bar).toHaveCount(0)
  await expect(check.getByText(/No element of 2 pages shows a colour that was decided away/)).toBeVisible()
  await expect(page.getByText('100 changes in third-party code')).toBeVisible()
})

test('a page is found in a folder of any name, and what covers it until its script runs is taken away', async ({
  page,
  app,
}) => {
  // The page has a policy of its own, in which our agent is not.
  const url = await siteOf(app, {
    'layouts/index.html':
      '<!doctype html><html><head><meta http-equiv="Content-Security-Policy" content="script-src \'self\'"><style>.pre{position:fixed;inset:0;background:#7a2433}</style></head><body><div class=pre></div><h1 style="color:#7a2433">Under it</h1></body></html>',
  })
  await page.goto(`${url}/look`)
  await expect(page.getByText('1 page, as received')).toBeVisible()
  await page.getByRole('button', { name: 'Take away what covers it' }).click()
  const after = page.frameLocator('iframe[title^="After"]')
  await expect(after.locator('.pre')).toBeHidden()
  await expect(after.getByRole('heading', { name: 'Under it' })).toBeVisible()
  // It stays away when the page is painted anew, in a window that refuses storage to framed pages, too.
  await giveFirst(page, url)
  await page.goto(`${url}/look`)
  await page.getByRole('button', { name: 'Take away what covers it' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(after.getByRole('heading', { name: 'Under it' })).toHaveCSS('color', 'rgb(122, 36, 51)')
  await expect(after.locator('.pre')).toBeHidden()
})

test('what is only possibly a colour takes nothing until it is confirmed; an address is no place', async ({
  page,
  app,
}) => {
  const url = await siteOf(app, {
    'index.html': '<!doctype html><script src="a.js"></script><p style="color:#f00">Red</p><a href="#add">Add</a>',
    'a.js': 'go("#f00"); const links = { url: "#bed", href: "#add" }',
  })
  await giveFirst(page, url)
  await expect(page.getByTestId('becomes')).toHaveText('decided 1 of 1')
  const panel = page.getByRole('region', { name: 'Consequence' })
  await expect(panel.getByText('1 place is only possibly a colour')).toBeVisible()
  await panel.getByRole('button', { name: 'It is a colour' }).click()
  await expect(page.getByTestId('becomes')).toHaveText('decided 2 of 2')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByTestId('becomes')).toHaveText('decided 1 of 1')
})

test('an added rule that loses everywhere is said before the handover', async ({ page, app }) => {
  const url = await siteOf(app, {
    'index.html': '<!doctype html><link rel=stylesheet href=a.css><h1>Own</h1>',
    'a.css': 'h1{color:#7a2433}',
  })
  const { snapshot } = await (await fetch(`${app.url}/api/sites/${url.split('/').at(-1)}`)).json()
  const insertion = { id: randomUUID(), path: 'a.css', selector: 'h1', property: 'color', to: { role: 'g' } }
  const event = { kind: 'insert', insertions: [insertion] }
  await app.post(`/api/plans/${snapshot.planId}/events`, { id: randomUUID(), version: 1, event })
  await page.goto(`${url}/handover`)
  await expect(page.getByText('The rule that was added for h1 loses everywhere')).toBeVisible()
})

test('what the browser paints by itself is told as that, and what shows no text is not counted', async ({
  page,
  app,
}) => {
  const body = '<h1>Own</h1><p><input type=checkbox><input type=radio></p><p><input value=typed></p>'
  const url = await siteOf(app, {
    'index.html': `<!doctype html><html><head><link rel=stylesheet href=own.css></head><body>${body}</body></html>`,
    'own.css': 'h1 { color: #000 } body { color: #222 }',
  })
  await giveFirst(page, url)
  await page.goto(`${url}/handover`)
  const check = page.getByRole('region', { name: 'Check of the pages' })
  await expect(check.getByText(/^▲ 1 element on 1 of 1 page/)).toBeVisible()
  await check.getByText('Which, and why').click()
  await expect(check.getByText(/the browser/)).toBeVisible()
  await expect(check.getByText('not yet known')).toHaveCount(0)
})
