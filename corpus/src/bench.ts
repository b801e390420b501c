import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { parse as parseScript } from '@babel/parser'
import { type Reading, readSource } from '@undo-ink/core'
import { parse as parsePage } from 'parse5'
import postcss from 'postcss'
import { type CorpusFile, corpusFiles, siteFiles, textOf } from './files.ts'
import { GROWING } from './growth.ts'

/** Measures the audit against PostCSS's parser on the same texts, and against itself on twice and four times as much. Exits with 1 when a limit is passed. */

const ROUNDS = 5
const MB = 1_000_000

const audit = (text: string) => readSource({ path: 'a.css', text, encoding: 'utf-8' })
const css = () =>
  corpusFiles()
    .filter(({ syntax }) => syntax === 'css')
    .map(textOf)

/** Files of the sites: their path's ending, and text. */
function site(ending: RegExp): { path: string; text: string }[] {
  return siteFiles(ending).map((file) => ({ path: file.path, text: textOf(file) }))
}

const auditAll = (files: readonly { path: string; text: string }[]) =>
  files.map(({ path, text }) => readSource({ path, text, encoding: 'utf-8' }).occurrences.length)

/** What the parser of scripts alone does with a file; what it refuses is refused to both. */
function parsed({ text }: { text: string }): boolean {
  try {
    parseScript(text, {
      sourceType: 'unambiguous',
      errorRecovery: true,
      plugins: ['jsx', 'flow'],
      attachComment: false,
    })
    return true
  } catch {
    return false
  }
}

/** The sheets that are published both as written and minified. */
function pairs(): { written: CorpusFile; minified: CorpusFile }[] {
  const files = corpusFiles()
  return files.flatMap((written) => {
    const minified = files.find(({ name }) => name === written.name.replace(/(?<!\.min)\.css$/, '.min.css'))
    return minified && minified !== written ? [{ written, minified }] : []
  })
}

/** A sheet of about a length, made of whole ones of the corpus: minified and on one line, or the same ones as they were written. */
function sheetOf(length: number, as: 'written' | 'minified'): string {
  let text = ''
  let reached = 0
  const all = pairs()
  for (let i = 0; reached < length; i++) {
    const pair = all[i % all.length] as (typeof all)[number]
    const minified = textOf(pair.minified).replace(/\s*\n\s*/g, '')
    text += as === 'minified' ? minified : textOf(pair.written)
    reached += minified.length
  }
  return text
}

/** Milliseconds that one call takes. */
function time(act: () => void): number {
  const start = performance.now()
  act()
  return performance.now() - start
}

function length(files: readonly { text: string }[]): number {
  return files.reduce((total, { text }) => total + text.length, 0)
}

function median(values: readonly number[]): number {
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] as number
}

/** The median of the ratios of pairs of runs, one right after the other. */
function ratio(over: () => void, under: () => void): number {
  over()
  under()
  return median(Array.from({ length: ROUNDS }, () => time(over) / time(under)))
}

/** Peak resident memory in bytes of a fresh process that does one thing, less that of one that only loads its text; the median of three. */
function memory(what: string): number {
  const peak = (task: string) => {
    const { stdout } = spawnSync(process.execPath, ['--expose-gc', fileURLToPath(import.meta.url), task], {
      encoding: 'utf8',
    })
    return Number(stdout) * 1024
  }
  const once = () => peak(what) - peak(`${what.split(' ')[0]} nothing`)
  return median([once(), once(), once()])
}

const TASKS: Readonly<Record<string, (text: readonly string[]) => unknown>> = {
  nothing: () => null,
  audit: (texts) => texts.map(audit),
  postcss: (texts) => texts.map((text) => postcss.parse(text)),
}
const TEXTS: Readonly<Record<string, () => string[]>> = {
  corpus: css,
  line: () => [sheetOf(5 * MB, 'minified')],
  'line-twice': () => [sheetOf(10 * MB, 'minified')],
}

const task = process.argv[2]
if (task !== undefined) {
  const [texts = '', act = ''] = task.split(' ')
  const kept = TASKS[act]?.(TEXTS[texts]?.() ?? [])
  process.stdout.write(String(process.resourceUsage().maxRSS))
  if (kept === undefined) process.exitCode = 1
} else report()

function report(): void {
  const texts = css()
  const size = texts.reduce((total, text) => total + text.length, 0)
  const places = texts.map(audit).reduce((total, reading: Reading) => total + reading.occurrences.length, 0)
  const [line, pretty, twice] = [sheetOf(5 * MB, 'minified'), sheetOf(5 * MB, 'written'), sheetOf(10 * MB, 'minified')]
  // White space costs next to nothing, and a minified sheet has none: what is counted is what there is to read.
  const content = (text: string) => text.replace(/\s+/g, '').length
  process.stdout.write(`${texts.length} sheets, ${(size / MB).toFixed(1)} MB, ${places} places\n`)

  const parse = () => texts.map((text) => postcss.parse(text).nodes.length)
  const pages = site(/\.html?$/)
  const drawings = site(/\.svg$/)
  const scripts = site(/\.(?:js|mjs)$/).filter((file) => file.text.length < 2 * MB && parsed(file))
  const many = Array.from(
    { length: 3000 },
    (_, i) => [...pages, ...drawings][i % (pages.length + drawings.length)],
  ).filter((file) => file !== undefined)
  const page = ({ text }: { text: string }) => parsePage(text, { sourceCodeLocationInfo: true }).childNodes.length
  const results: readonly (readonly [string, number, number])[] = [
    [
      'audit of the corpus / PostCSS parsing it, time',
      ratio(() => texts.map((text) => audit(text).occurrences.length), parse),
      1.6,
    ],
    [
      'twice the text / once, time',
      ratio(
        () => audit(twice),
        () => audit(line),
      ),
      (2.2 * twice.length) / line.length / 2,
    ],
    ['twice the text / once, memory', memory('line-twice audit') / memory('line audit'), 2.2],
    [
      'one line / the same sheets as written, time per byte that is no white space',
      ratio(
        () => audit(line),
        () => audit(pretty),
      ) /
        (content(line) / content(pretty)),
      1,
    ],
    [
      `${pages.length} pages and templates / the HTML parser alone, time`,
      ratio(
        () => auditAll(pages),
        () => pages.map(page),
      ),
      1.5,
    ],
    [
      `${drawings.length} drawings / the HTML parser alone, time`,
      ratio(
        () => auditAll(drawings),
        () => drawings.map(page),
      ),
      1.5,
    ],
    [
      `${scripts.length} scripts / their parser alone, time`,
      ratio(
        () => auditAll(scripts),
        () => scripts.map(parsed),
      ),
      1.5,
    ],
    [
      'a site of 3,000 files / its first 1,000, time per character',
      ratio(
        () => auditAll(many),
        () => auditAll(many.slice(0, 1000)),
      ) /
        (length(many) / length(many.slice(0, 1000))),
      1.3,
    ],
    ...GROWING.map(
      ({ name, prepare }) => [`${name}: four times as much / once, time`, ratio(prepare(4), prepare(1)), 6] as const,
    ),
    // A process that has grown counts as the peak of those it starts: what takes much memory here comes last.
    ['corpus: peak memory of the audit / input', memory('corpus audit') / size, 15],
    ['one line of 5 MB: peak memory of the audit / of PostCSS', memory('line audit') / memory('line postcss'), 1.3],
  ]
  for (const [name, value, limit] of results)
    process.stdout.write(
      `${value <= limit ? 'ok  ' : 'OVER'}  ${value.toPrecision(3).padStart(7)}  (limit ${limit.toFixed(2)})  ${name}\n`,
    )
  process.exitCode = results.every(([, value, limit]) => value <= limit) ? 0 : 1
}
