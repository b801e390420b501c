import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parse } from 'postcss'
import { figure, hasFailed, median } from './lib/bench.mjs'
import { build } from './lib/build.mjs'
import { builtCorpus } from './lib/corpus.mjs'
import { ensurePackages, ROOT } from './lib/packages.mjs'

/** The command line as a whole, beside a program that does nothing but parse the same sheets with PostCSS: time from start to end, and memory. */
const RUNS = 3

ensurePackages()
await build()
const folder = mkdtempSync(join(tmpdir(), 'undo-ink-bench-'))
try {
  await writeSheets()
  const alone = await builtCorpus('parse-alone')
  const [parsing, auditing] = [[], []]
  // In turn: a machine has good minutes and bad ones.
  for (let run = 0; run < RUNS; run++) {
    parsing.push(whole(alone, folder))
    auditing.push(whole(join(ROOT, 'cli/bin/undo-ink.mjs'), 'audit', folder, '--format', 'json'))
  }
  const ratio = (of) => (100 * median(auditing.map(of))) / median(parsing.map(of))
  const beside = 'the command line / PostCSS parsing the same sheets, whole programs, hundredths of'
  figure(
    `${beside} time`,
    ratio(({ seconds }) => seconds),
    250,
    '',
  )
  figure(
    `${beside} memory`,
    ratio(({ memory }) => memory),
    1500,
    '',
  )
} finally {
  rmSync(folder, { recursive: true, force: true })
}
process.exit(hasFailed() ? 1 : 0)

/** All sheets of the corpus that PostCSS can parse, in one folder. */
async function writeSheets() {
  const { corpusFiles } = await import(await builtCorpus('files'))
  const sheets = corpusFiles().filter(({ path }) => {
    try {
      return parse(readFileSync(path, 'utf8')) !== null
    } catch {
      return false
    }
  })
  for (const [i, { path, syntax }] of sheets.entries())
    writeFileSync(join(folder, `${i}.${syntax}`), readFileSync(path))
}

/** Seconds and kilobytes of a program from its start to its end. */
function whole(...args) {
  const tell = "process.on('exit', () => process.stderr.write(`${process.resourceUsage().maxRSS}`))"
  const started = performance.now()
  const { status, stderr } = spawnSync(
    process.execPath,
    ['--import', `data:text/javascript,${encodeURIComponent(tell)}`, ...args],
    { stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' },
  )
  if (status !== 0) throw new Error(`${args[0]} failed: ${stderr}`)
  return { seconds: (performance.now() - started) / 1000, memory: Number(stderr) }
}
