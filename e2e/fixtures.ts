import { randomUUID } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test as base } from '@playwright/test'
import { AppServer, ROOT } from './server.ts'

const DEMO = join(ROOT, 'demo')

/** The server of this worker, with a demo site of each test's own. */
export const test = base.extend<{ siteUrl: string }, { app: AppServer }>({
  app: [
    // biome-ignore lint/correctness/noEmptyPattern: the runner reads the names from the pattern
    async ({}, use) => {
      const app = await AppServer.make()
      await use(app)
      await app.end('SIGTERM')
    },
    { scope: 'worker' },
  ],
  siteUrl: async ({ app }, use) => {
    await use(`${app.url}/sites/${await makeDemoSite(app)}`)
  },
})

/** Takes the demo in under a name that no other test has, with its brand, and gives the id of the site. */
async function makeDemoSite(app: AppServer): Promise<string> {
  const site = await app.post('/api/sites', { name: `Demo ${randomUUID()}` })
  const form = new FormData()
  for (const entry of readdirSync(join(DEMO, 'site'), { recursive: true, withFileTypes: true })) {
    if (!entry.isFile()) continue
    const file = join(entry.parentPath, entry.name)
    form.append('files', new Blob([readFileSync(file)]), file.slice(DEMO.length + 1))
  }
  await app.post(`/api/sites/${site.id}/copy`, form)
  const taken = await app.whenDone(site.id)
  const { roles } = JSON.parse(readFileSync(join(DEMO, 'brand.json'), 'utf8'))
  await app.post(`/api/plans/${taken.snapshot.planId}/palette`, { id: randomUUID(), version: 0, roles })
  return taken.id
}

export { expect } from '@playwright/test'
