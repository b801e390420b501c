import { spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { chromium } from '@playwright/test'
import { figure, hasFailed, longestTask, takeIn, withServer } from './lib/bench.mjs'
import { ensureChromium } from './lib/chromium.mjs'
import { builtCorpus } from './lib/corpus.mjs'
import { ensurePackages, ROOT } from './lib/packages.mjs'

/** The published sheets of the corpus as one site of 40 MB: what its intake costs beside the command line, and how its screens feel. */
ensurePackages()
const files = await corpus()
await withServer(async (url) => {
  const { siteId, seconds } = await takeIn(url, 'Published sheets', files)
  figure('intake of the corpus / the command line reading it, hundredths', (seconds / audited()) * 100, 250, '')
  await look(url, siteId)
})
process.exit(hasFailed() ? 1 : 0)

/** Path and bytes of every sheet, under a name that tells its syntax. */
async function corpus() {
  const { corpusFiles } = await import(await builtCorpus('files'))
  return corpusFiles().map(({ name, syntax, path }) => [
    name.endsWith(`.${syntax}`) ? name : `${name}.${syntax}`,
    readFileSync(path),
  ])
}

/** Seconds that the command line takes for the same files. */
function audited() {
  const folder = mkdtempSync(join(tmpdir(), 'undo-ink-bench-'))
  try {
    for (const [path, bytes] of files) {
      mkdirSync(dirname(join(folder, path)), { recursive: true })
      writeFileSync(join(folder, path), bytes)
    }
    const started = performance.now()
    const { status } = spawnSync(
      process.execPath,
      [join(ROOT, 'cli/bin/undo-ink.mjs'), 'audit', folder, '--format', 'json'],
      { stdio: ['ignore', 'ignore', 'inherit'] },
    )
    if (status !== 0) throw new Error('the command line failed')
    return (performance.now() - started) / 1000
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

async function look(url, siteId) {
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox'] })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/sites/${siteId}/intake`)
  await page.getByRole('link', { name: /^Mapping/ }).waitFor({ timeout: 120_000 })
  await page.waitForTimeout(3000)
  const grid = page.getByRole('grid', { name: /^(?:Places|Clusters)/ })
  const screens = [
    [/^Ledger/, () => grid.getByRole('row').nth(2).waitFor()],
    [/^Mapping/, () => grid.getByRole('row').nth(2).waitFor()],
    [/^Look/, () => page.getByRole('heading', { name: 'Look' }).waitFor()],
    [/^Handover/, () => page.getByRole('heading', { name: 'Handover' }).waitFor()],
    [/^Intake/, () => page.getByRole('heading', { name: 'Intake' }).waitFor()],
  ]
  for (const [name, isThere] of screens) {
    const started = performance.now()
    await page.getByRole('link', { name }).first().click()
    await isThere()
    figure(`click to the content of ${String(name).slice(2, -1)}`, performance.now() - started, 1000, 'ms')
    await page.waitForTimeout(1000)
  }
  await page.getByRole('link', { name: /^Mapping/ }).click()
  await grid.getByRole('row').nth(3).click()
  await page.waitForTimeout(2000)
  const press =
    (...keys) =>
    async () => {
      for (const key of keys) {
        await page.keyboard.press(key)
        await page.waitForTimeout(400)
      }
    }
  for (const keys of [['ArrowDown'], ['ArrowUp'], ['PageDown'], ['End', 'Home']])
    figure(
      `longest task after ${keys.join(', ')} in Mapping`,
      await longestTask(browser, page, press(...keys)),
      50,
      'ms',
    )
  // What takes a role is judged.
  await page.keyboard.press('1')
  await page.waitForTimeout(1500)
  figure('longest task after ArrowDown, decided', await longestTask(browser, page, press('ArrowDown')), 50, 'ms')
  await browser.close()
}
