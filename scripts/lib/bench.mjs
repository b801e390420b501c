import { fork } from 'node:child_process'
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from './build.mjs'
import { ROOT } from './packages.mjs'
import { startCluster } from './postgres.mjs'

/** What is measured of the built application: against a database of its own, in Chromium. */

const RUNS = 3
let failed = false

/** Whether some figure was beyond its limit. */
export function hasFailed() {
  return failed
}

/** Says a figure, and whether it is within its limit. */
export function figure(name, value, limit, unit) {
  const ok = limit === null || value <= limit
  if (!ok) failed = true
  const of = limit === null ? '' : `  (limit ${limit} ${unit})`
  console.log(
    `${limit === null ? '    ' : ok ? 'ok  ' : 'OVER'}  ${value.toFixed(0).padStart(7)} ${unit}${of}  ${name}`,
  )
}

/** Does something with the address of a server that is there for it alone. */
export async function withServer(use) {
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
  try {
    await use(`http://127.0.0.1:${port}`)
  } finally {
    await new Promise((resolve) => {
      server.once('exit', resolve)
      server.kill('SIGTERM')
    })
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Sends the files of a site and waits until it is read. @param watch told of each answer meanwhile, in milliseconds @returns ids, and the seconds it took */
export async function takeIn(url, name, files, watch = () => {}) {
  const post = (path, body) => fetch(`${url}/api${path}`, { method: 'POST', ...body }).then((answer) => answer.json())
  const json = (body) => ({ headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  const site = await post('/sites', json({ name }))
  const form = new FormData()
  for (const [path, text] of files) form.append('files', new Blob([text]), `site/${path}`)
  const started = performance.now()
  await post(`/sites/${site.id}/copy`, { body: form })
  let planId = null
  for (;;) {
    const asked = performance.now()
    const { job, snapshot } = await fetch(`${url}/api/sites/${site.id}`).then((answer) => answer.json())
    watch(performance.now() - asked)
    planId = snapshot?.planId
    if (!job) break
    if (job.state === 'failed') throw new Error(JSON.stringify(job.problem))
    await new Promise((resolve) => setTimeout(resolve, 25))
  }
  const seconds = (performance.now() - started) / 1000
  const { roles } = JSON.parse(readFileSync(join(ROOT, 'demo/brand.json'), 'utf8'))
  await post(`/plans/${planId}/palette`, json({ id: crypto.randomUUID(), version: 0, roles }))
  return { siteId: site.id, seconds }
}

export async function scroll(page, grid) {
  const box = await grid.boundingBox()
  await page.mouse.move(box.x + 200, box.y + 200)
  for (let i = 0; i < 60; i++) {
    await page.mouse.wheel(0, i % 10 === 9 ? 400_000 : 400)
    await page.waitForTimeout(16)
  }
}

/**
 * Milliseconds of the longest task of the page's main thread while something is done, from Chromium's own trace: no frame can be drawn
 * meanwhile. The best of some runs: what a busy machine adds is not the page's.
 */
export async function longestTask(browser, page, act) {
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
export async function residentMegabytes(browser) {
  const session = await browser.newBrowserCDPSession()
  const { processInfo } = await session.send('SystemInfo.getProcessInfo')
  const sizes = processInfo
    .filter(({ type }) => type === 'renderer')
    .map(({ id }) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1] ?? 0) / 1024)
  return Math.max(...sizes)
}

export function median(values) {
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]
}
