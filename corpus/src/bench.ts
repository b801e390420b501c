import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { type Reading, readSource } from '@undo-ink/core'
import postcss from 'postcss'
import { corpusFiles, textOf } from './files.ts'

/** Measures the audit against PostCSS's parser on the same texts, and against itself on twice as much. Exits with 1 when a limit is passed. */

const ROUNDS = 5
const MB = 1_000_000

const audit = (text: string) => readSource({ path: 'a.css', text, encoding: 'utf-8' })
const css = () =>
  corpusFiles()
    .filter(({ syntax }) => syntax === 'css')
    .map(textOf)

/** A sheet of about a length, made of whole sheets of the corpus; on one line or as it was published. */
function sheetOf(length: number, minified: boolean): string {
  let text = ''
  const files = corpusFiles().filter(({ syntax, path }) => syntax === 'css' && /\.min\.css$/.test(path) === minified)
  for (let i = 0; text.length < length; i++) {
    const own = textOf(files[i % files.length] as never).replace(/\/\*[\s\S]*?\*\//g, '')
    text += minified ? own.replace(/\s*\n\s*/g, '') : own
  }
  return text
}

/** Milliseconds that one call takes. */
function time(act: () => void): number {
  const start = performance.now()
  act()
  return performance.now() - start
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

/** Peak resident memory in bytes of a fresh process that does one thing, less that of one that only loads its text. */
function memory(what: string): number {
  const peak = (task: string) => {
    const { stdout } = spawnSync(process.execPath, ['--expose-gc', fileURLToPath(import.meta.url), task], {
      encoding: 'utf8',
    })
    return Number(stdout) * 1024
  }
  return peak(what) - peak(`${what.split(' ')[0]} nothing`)
}

const TASKS: Readonly<Record<string, (text: readonly string[]) => unknown>> = {
  nothing: () => null,
  audit: (texts) => texts.map(audit),
  postcss: (texts) => texts.map((text) => postcss.parse(text)),
}
const TEXTS: Readonly<Record<string, () => string[]>> = {
  corpus: css,
  line: () => [sheetOf(5 * MB, true)],
  'line-twice': () => [sheetOf(10 * MB, true)],
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
  const [line, pretty, twice] = [sheetOf(5 * MB, true), sheetOf(5 * MB, false), sheetOf(10 * MB, true)]
  // White space costs next to nothing, and a minified sheet has none: what is counted is what there is to read.
  const perUnit = (text: string) =>
    median(Array.from({ length: ROUNDS }, () => time(() => audit(text)))) / text.replace(/\s+/g, '').length
  process.stdout.write(`${texts.length} sheets, ${(size / MB).toFixed(1)} MB, ${places} places\n`)

  const parse = () => texts.map((text) => postcss.parse(text).nodes.length)
  const results: readonly (readonly [string, number, number])[] = [
    [
      'audit of the corpus / PostCSS parsing it, time',
      ratio(() => texts.map((text) => audit(text).occurrences.length), parse),
      2.5,
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
    ['one line / as published, time per byte that is no white space', perUnit(line) / perUnit(pretty), 1],
    ['corpus: peak memory of the audit / input', memory('corpus audit') / size, 15],
    ['one line of 5 MB: peak memory of the audit / of PostCSS', memory('line audit') / memory('line postcss'), 1.3],
  ]
  for (const [name, value, limit] of results)
    process.stdout.write(
      `${value <= limit ? 'ok  ' : 'OVER'}  ${value.toFixed(2).padStart(6)}  (limit ${limit.toFixed(1)})  ${name}\n`,
    )
  process.exitCode = results.every(([, value, limit]) => value <= limit) ? 0 : 1
}
