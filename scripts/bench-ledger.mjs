import { fork } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { build } from './lib/build.mjs'
import { ensureChromium } from './lib/chromium.mjs'
import { ensurePackages, ROOT } from './lib/packages.mjs'
import { startCluster } from './lib/postgres.mjs'

/** The ledger of a made-up site of 200,000 places in 2,000 colours: how fast it is stored, and how it feels in Chromium. */
const FILES = 400
const PLACES = 500
const COLORS = 2_000
const RUNS = 3

ensurePackages()
await build()
const folder = mkdtempSync(join(tmpdir(), 'undo-ink-bench-'))
chmodSync(folder, 0o755)
const cluster = await startCluster(folder, { throwAway: true })
const server = fork(join(ROOT, 'server/dist/main.js'), {
  env: {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: cluster.url,
    PORT: '0',
    LOG_LEVEL: 'error',
    WEB_DIR: join(ROOT, 'web/dist'),
  },
})
const port = await new Promise((resolve) => server.once('message', ({ listening }) => resolve(listening)))
const url = `http://127.0.0.1:${port}`
let failed = false
try {
  const site = await takeIn()
  await look(site)
} finally {
  await new Promise((resolve) => {
    server.once('exit', resolve)
    server.kill('SIGTERM')
  })
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}
process.exit(failed ? 1 : 0)

/** Says a figure, and whether it is within its limit. */
function figure(name, value, limit, unit) {
  const ok = limit === null || value <= limit
  if (!ok) failed = true
  const of = limit === null ? '' : `  (limit ${limit} ${unit})`
  console.log(
    `${limit === null ? '    ' : ok ? 'ok  ' : 'OVER'}  ${value.toFixed(0).padStart(7)} ${unit}${of}  ${name}`,
  )
}

/** Sends the site and watches the API while it is read and stored. */
async function takeIn() {
  const post = (path, body) => fetch(`${url}/api${path}`, { method: 'POST', ...body }).then((answer) => answer.json())
  const json = (body) => ({ headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  const site = await post('/sites', json({ name: 'Two hundred thousand' }))
  const form = new FormData()
  for (let file = 0; file < FILES; file++) form.append('files', new Blob([sheet(file)]), `site/css/part-${file}.css`)
  form.append(
    'files',
    new Blob(['<!doctype html><link rel="stylesheet" href="css/part-0.css"><p>Words']),
    'site/index.html',
  )
  const started = performance.now()
  await post(`/sites/${site.id}/copy`, { body: form })
  const waits = []
  let planId = null
  for (;;) {
    const asked = performance.now()
    const { job, snapshot } = await fetch(`${url}/api/sites/${site.id}`).then((answer) => answer.json())
    waits.push(performance.now() - asked)
    planId = snapshot?.planId
    if (!job) break
    if (job.state === 'failed') throw new Error(JSON.stringify(job.problem))
    await new Promise((resolve) => setTimeout(resolve, 25))
  }
  const seconds = (performance.now() - started) / 1000
  figure('places read and stored in a second', (FILES * PLACES) / seconds, null, '1/s')
  figure('median answer of the API meanwhile', median(waits), 100, 'ms')
  figure('longest answer of the API meanwhile', Math.max(...waits), null, 'ms')
  const { roles } = JSON.parse(readFileSync(join(ROOT, 'demo/brand.json'), 'utf8'))
  await post(`/plans/${planId}/palette`, json({ id: randomUUID(), version: 0, roles }))
  return site.id
}

/** A made-up sheet: headings, states, every use, each colour about as often as another. */
function sheet(file) {
  const rules = []
  for (let i = 0; i < PLACES; i++) {
    const n = file * PLACES + i
    if (i % 25 === 0) rules.push(`/* Part ${file}, section ${i / 25} */`)
    const property = ['color', 'background-color', 'border-color', 'fill', 'outline-color'][n % 5]
    const state = ['', '', '', ':hover', ':focus', '.is-stuck'][n % 6]
    rules.push(`.block-${n % 7_919} .part-${i}${state} { ${property}: ${color(n % COLORS)} }`)
  }
  return rules.join('\n')
}

/** One of 2,000 colours, spread over the cube so that some are near one another. */
function color(n) {
  const value = (Math.imul(n, 0x9e3779b1) >>> 8) & 0xffffff
  return `#${value.toString(16).padStart(6, '0')}`
}

async function look(siteId) {
  const args = ['--no-sandbox', '--js-flags=--expose-gc']
  const browser = await chromium.launch({ executablePath: ensureChromium(), args })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const grid = page.getByRole('grid', { name: /^Places/ })
  const clicks = []
  for (let run = 0; run < RUNS; run++) {
    await page.goto(`${url}/sites/${siteId}/intake`)
    await page.getByRole('button', { name: /least used clusters/ }).waitFor({ timeout: 120_000 })
    // As long as a person needs to look and aim; what was still being loaded is done.
    await page.waitForTimeout(1000)
    clicks.push(await clickToFirstRow(page))
  }
  figure('first ledger page after the click', median(clicks), 150, 'ms')
  await grid.waitFor()
  figure('longest task while scrolling', await longestTask(browser, page, () => scroll(page, grid)), 50, 'ms')
  figure('longest task while filtering', await longestTask(browser, page, () => filter(page)), 50, 'ms')
  await page.getByRole('searchbox').fill('#7a2433')
  await page.waitForTimeout(500)
  figure('longest task while the reach is dragged', await longestTask(browser, page, () => drag(page)), 50, 'ms')
  // What nobody holds any more says how lately garbage was collected, in the page and in its workers, not what the tab needs.
  for (const each of [page, ...page.workers()])
    await each.evaluate(() => globalThis.gc({ type: 'major', flavor: 'last-resort' }))
  figure('memory of the tab', await residentMegabytes(browser), 400, 'MB')
  await page.getByRole('link', { name: /^Mapping/ }).click()
  await page.getByRole('slider', { name: /^Tolerance/ }).waitFor()
  await page.waitForTimeout(3000)
  figure('longest task while the tolerance is dragged', await longestTask(browser, page, () => drag(page)), 50, 'ms')
  const clusters = page.getByRole('grid', { name: /^Clusters/ })
  figure(
    'longest task while the clusters are scrolled',
    await longestTask(browser, page, () => scroll(page, clusters)),
    50,
    'ms',
  )
  figure(
    'longest task while a cluster is dragged over the roles',
    await longestTask(browser, page, () => dragOverRoles(page, clusters)),
    50,
    'ms',
  )
  await browser.close()
}

/** Milliseconds from the click on the stage to the frame that shows its first place. */
async function clickToFirstRow(page) {
  const took = page.evaluate(
    () =>
      new Promise((resolve) => {
        addEventListener(
          'pointerdown',
          (event) => {
            const began = event.timeStamp
            const look = () => {
              if (document.querySelector('[role=grid] [role=row][aria-selected]'))
                requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - began)))
              else requestAnimationFrame(look)
            }
            look()
          },
          { once: true, capture: true },
        )
      }),
  )
  await page.getByRole('link', { name: /^Ledger/ }).click()
  return took
}

async function scroll(page, grid) {
  const box = await grid.boundingBox()
  await page.mouse.move(box.x + 200, box.y + 200)
  for (let i = 0; i < 60; i++) {
    await page.mouse.wheel(0, i % 10 === 9 ? 400_000 : 400)
    await page.waitForTimeout(16)
  }
}

async function filter(page) {
  for (const name of [/^hover/, /^text/, /^hover/, /^text/]) {
    await page.getByRole('button', { name }).first().click()
    await page.waitForTimeout(200)
  }
}

async function drag(page) {
  const box = await page.getByRole('slider').boundingBox()
  await page.mouse.move(box.x + 10, box.y + box.height / 2)
  await page.mouse.down()
  for (let i = 0; i < 60; i++) {
    await page.mouse.move(box.x + 10 + Math.abs(((i * 5) % 200) - 100), box.y + box.height / 2)
    await page.waitForTimeout(16)
  }
  await page.mouse.up()
  await page.waitForTimeout(300)
}

/** A row is taken up, led over all roles, and let go nowhere. */
async function dragOverRoles(page, clusters) {
  const row = await clusters.getByRole('row').nth(2).boundingBox()
  await page.mouse.move(row.x + 30, row.y + row.height / 2)
  await page.mouse.down()
  for (const role of await page.getByRole('region', { name: 'Roles' }).getByRole('button').all()) {
    const box = await role.boundingBox()
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 4 })
    await page.waitForTimeout(50)
  }
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await page.waitForTimeout(300)
}

/**
 * Milliseconds of the longest task of the page's main thread while something is done, from Chromium's own trace: no frame can be drawn
 * meanwhile. The best of some runs: what a busy machine adds is not the page's.
 */
async function longestTask(browser, page, act) {
  const runs = []
  for (let run = 0; run < RUNS; run++) runs.push(await longestTaskOnce(browser, page, act))
  return Math.min(...runs)
}

async function longestTaskOnce(browser, page, act) {
  await browser.startTracing(page, { categories: ['toplevel', 'disabled-by-default-devtools.timeline', '__metadata'] })
  await act()
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString())
  const main = new Set(
    traceEvents
      .filter(({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain')
      .map(({ pid, tid }) => `${pid} ${tid}`),
  )
  const tasks = traceEvents.filter(({ name, pid, tid }) => name === 'RunTask' && main.has(`${pid} ${tid}`))
  if (tasks.length === 0) throw new Error('the trace holds no tasks')
  return Math.max(...tasks.map(({ dur = 0 }) => dur / 1000))
}

/** Resident memory of the largest renderer, in which the page and its workers live. */
async function residentMegabytes(browser) {
  const session = await browser.newBrowserCDPSession()
  const { processInfo } = await session.send('SystemInfo.getProcessInfo')
  const sizes = processInfo
    .filter(({ type }) => type === 'renderer')
    .map(({ id }) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1] ?? 0) / 1024)
  return Math.max(...sizes)
}

function median(values) {
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]
}
