import { fork } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from './lib/build.mjs'
import { ensureChromium } from './lib/chromium.mjs'
import { ensurePackages, ROOT, say } from './lib/packages.mjs'
import { startCluster } from './lib/postgres.mjs'

/** The clusters that the pictures show as decided, by a member, and the role that each takes; null: kept. */
const DECIDED = [
  ['#7a2433', 'primary'],
  ['#943a4b', 'primary'],
  ['#23303a', 'text'],
  ['#e0a526', 'accent'],
  ['#f2c14e', 'accent'],
  ['#f6f1e7', 'ground'],
  ['#5f1a27', 'primary-dark'],
  ['#6f7a82', 'soft-text'],
  ['#d8d0c2', 'line'],
  ['#1d5f9e', null],
]
const VIEWS = [
  'intake',
  'intake/pages',
  'ledger/places',
  'ledger/colors',
  'ledger/colors/%237a2433',
  'ledger/scripts',
  'ledger/findings',
  'mapping/clusters',
  'mapping/palette',
  'look',
  'handover',
]
/** Pictures that are not named like the last part of their view's address. */
const NAMES = { 'ledger/places': 'ledger', 'mapping/clusters': 'mapping', 'ledger/colors/%237a2433': 'color' }

ensurePackages()
const executablePath = ensureChromium()
await build()
const { chromium } = await import('@playwright/test')
const folder = mkdtempSync(join(tmpdir(), 'undo-ink-pictures-'))
chmodSync(folder, 0o755)
const cluster = await startCluster(folder, { throwAway: true })
const { server, url } = await startServer()
const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-dev-shm-usage'] })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
try {
  await decide()
  await page.goto(url)
  await page.getByRole('heading', { name: 'Pellan Sound Ferries' }).waitFor()
  await take('sites')
  const site = (await get('/api/sites')).sites[0]
  for (const view of VIEWS) {
    await page.goto(`${url}/sites/${site.id}/${view}`)
    await page.getByRole('heading', { level: 1 }).waitFor()
    await page.waitForLoadState('networkidle')
    if (view === 'mapping/clusters') await page.getByRole('row', { name: /#8b949a/ }).click()
    if (view === 'mapping/clusters') await page.getByRole('button', { name: /^soft text/ }).hover()
    if (view === 'look') await page.frameLocator('iframe').last().getByRole('heading', { level: 1 }).waitFor()
    await take(NAMES[view] ?? view.replace(/^.*\//, ''))
    if (view === 'mapping/clusters') await takeScope()
    if (view === 'ledger/places') await takePicking()
  }
} finally {
  await browser.close()
  server.kill('SIGTERM')
  await new Promise((resolve) => server.once('exit', resolve))
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}

/** The dialog in which a colour is picked, with a point of the page in it. */
async function takePicking() {
  await page.getByRole('button', { name: 'Pick …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Pick a colour' })
  await dialog.frameLocator('iframe').getByRole('heading', { level: 1 }).waitFor()
  await page.getByRole('application').click({ position: { x: 100, y: 186 } })
  await page.getByText('the very same').waitFor()
  await take('pick')
}

/** The dialog that decides about some places of a cluster only. */
async function takeScope() {
  await page.getByRole('row', { name: /^#7a2433/ }).click()
  await page.getByRole('button', { name: /^Only some places/ }).click()
  await page.getByRole('combobox', { name: 'Within' }).selectOption('.columns')
  await page.getByRole('radio', { name: /taken in part/ }).click()
  await page.getByText('within .columns').first().waitFor()
  await take('some-places')
}

async function take(name) {
  // A slow machine may still be comparing colours, or looking at the pages.
  await page.waitForFunction(() => !/Comparing the colours|Looking at the pages/.test(document.body.innerText))
  await page.screenshot({ path: join(ROOT, `docs/screenshots/${name}.png`) })
  say(`docs/screenshots/${name}.png`)
}

function startServer() {
  const server = fork(join(ROOT, 'server/dist/main.js'), {
    env: {
      ...process.env,
      DATABASE_URL: cluster.url,
      PORT: '0',
      LOG_LEVEL: 'error',
      DEMO_DIR: join(ROOT, 'demo'),
      WEB_DIR: join(ROOT, 'web/dist'),
    },
  })
  return new Promise((resolve) => {
    server.once('message', ({ listening }) => resolve({ server, url: `http://127.0.0.1:${listening}` }))
  })
}

async function get(path) {
  return (await fetch(url + path)).json()
}

/** Takes each decision on the screen's own way of cutting clusters: by the row that holds the member. */
async function decide() {
  const site = (await get('/api/sites')).sites[0]
  const { snapshot } = await get(`/api/sites/${site.id}`)
  await page.goto(`${url}/sites/${site.id}/mapping/clusters`)
  const decisions = []
  for (const [member, role] of DECIDED) {
    const row = page.getByRole('row', { name: new RegExp(member) })
    await row
      .first()
      .waitFor({ state: 'attached', timeout: 5000 })
      .catch(() => null)
    const members = await row
      .first()
      .locator('[title^="#"]')
      .first()
      .getAttribute('title', { timeout: 500 })
      .catch(() => member)
    decisions.push({
      id: randomUUID(),
      target: { colors: members.split(' ') },
      to: role ? { kind: 'role', role } : { kind: 'keep' },
    })
  }
  const body = JSON.stringify({ id: randomUUID(), version: 0, event: { kind: 'decide', decisions } })
  const answer = await fetch(`${url}/api/plans/${snapshot.planId}/events`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body,
  })
  if (!answer.ok) throw new Error(await answer.text())
}
