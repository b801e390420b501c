import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import {
  applyEdits,
  type Decision,
  type Occurrence,
  type Role,
  readSource,
  resolver,
  rewriteFile,
} from '@undo-ink/core'
import less from 'less'
import { compile } from 'sass'
import { planOfEverything } from '../../core/test/random-plan.ts'
import { corpusFiles } from './files.ts'

/** What compiling a framework before and after a rewrite of its sources gave. */
export interface Compiled {
  /** Literals rewritten in the sources. */
  readonly rewritten: number
  /** Colors in the compiled sheet that became another. */
  readonly changed: number
  /** What differs and was not planned, as lines to read. */
  readonly unplanned: readonly string[]
}

const require = createRequire(import.meta.url)

/**
 * Copies a package, rewrites in its sources every literal that nothing computes with, each color to another of its own, compiles both and compares.
 * @param entry path of the sheet to compile, within the package
 */
export async function compileBeforeAndAfter(name: string, entry: string): Promise<Compiled> {
  const root = dirname(require.resolve(`${name}/package.json`))
  const folder = mkdtempSync(join(tmpdir(), 'undo-ink-compile-'))
  try {
    cpSync(root, folder, { recursive: true })
    const before = await compileSheet(join(folder, entry))
    const planned = new Map<string, string>()
    let rewritten = 0
    for (const file of corpusFiles().filter((each) => each.package === name && each.syntax !== 'css')) {
      const path = file.name.slice(name.length + 1)
      const text = readFileSync(join(folder, path), 'utf8')
      const source = { path: `a.${file.syntax}`, text, encoding: 'utf-8' } as const
      const chosen = readSource(source).occurrences.filter(isOnlyPainted)
      for (const { color } of chosen) if (!planned.has(color)) planned.set(color, freshColor(planned.size))
      const plan = { resolver: resolver(...planOf(planned)), corrections: [], insertions: [] }
      const { edits } = rewriteFile(source, chosen, plan)
      rewritten += edits.edits.length
      writeFileSync(join(folder, path), applyEdits(text, edits))
    }
    return { rewritten, ...compareSheets(before, await compileSheet(join(folder, entry)), planned) }
  } finally {
    rmSync(folder, { recursive: true })
  }
}

/**
 * Copies a package, writes a plan of its own into each of its sources, in which parts, gradients, solids, alphas, slips and added rules meet, and compiles. Throws what the
 * compiler says.
 * @returns how many edits were written
 */
export async function compileAfterPlans(name: string, entry: string, random: () => number): Promise<number> {
  const root = dirname(require.resolve(`${name}/package.json`))
  const folder = mkdtempSync(join(tmpdir(), 'undo-ink-plans-'))
  try {
    cpSync(root, folder, { recursive: true })
    let edits = 0
    for (const file of corpusFiles().filter((each) => each.package === name && each.syntax !== 'css')) {
      const path = file.name.slice(name.length + 1)
      const source = { path, text: readFileSync(join(folder, path), 'utf8'), encoding: 'utf-8' } as const
      const reading = readSource(source)
      if (reading.occurrences.length === 0) continue
      const places = reading.occurrences.map((each) => ({ ...each, path }))
      const found = rewriteFile(source, places, planOfEverything(source, reading, random))
      edits += found.edits.edits.length
      writeFileSync(join(folder, path), applyEdits(source.text, found.edits))
    }
    await compileSheet(join(folder, entry))
    return edits
  } finally {
    rmSync(folder, { recursive: true })
  }
}

/** A declaration of a rule, with no function of the preprocessor around the literal. A variable may be computed with wherever it is taken. */
function isOnlyPainted({ variable, computedWith, property, confidence }: Occurrence): boolean {
  return (
    (variable === null || variable.startsWith('--')) &&
    computedWith === null &&
    !/^[@.#]/.test(property) &&
    confidence === 'certain'
  )
}

/** Colors that no framework has: their red tells which of them it is. */
function freshColor(index: number): string {
  return `#${(0x010000 * (index % 200) + 0x00f1e7 - index).toString(16).padStart(6, '0')}`
}

function planOf(planned: ReadonlyMap<string, string>): [Decision[], Role[]] {
  const roles = [...planned].map(([from, color]): Role => ({ id: from, name: from, color }))
  return [roles.map(({ id }) => ({ id, target: { colors: [id] }, to: { kind: 'role', role: id } })), roles]
}

async function compileSheet(path: string): Promise<string> {
  if (path.endsWith('.scss')) return compile(path, { quietDeps: true, logger: { warn() {}, debug() {} } }).css
  return (await less.render(readFileSync(path, 'utf8'), { filename: path, math: 0 })).css
}

function compareSheets(
  before: string,
  after: string,
  planned: ReadonlyMap<string, string>,
): Omit<Compiled, 'rewritten'> {
  const unplanned: string[] = []
  const [old, now] = [piecesOf(before), piecesOf(after)]
  if (old.between.join('\0') !== now.between.join('\0')) unplanned.push('something that is no color differs')
  let changed = 0
  for (const [index, raw] of old.colors.entries()) {
    const became = now.colors[index] ?? ''
    if (raw === became) continue
    changed++
    if (planned.get(old.keys[index] ?? '') !== now.keys[index]) unplanned.push(`${raw} became ${became}`)
  }
  return { changed, unplanned }
}

interface Pieces {
  readonly colors: readonly string[]
  readonly keys: readonly string[]
  /** What stands before, between and behind the colors. */
  readonly between: readonly string[]
}

function piecesOf(css: string): Pieces {
  const between: string[] = []
  let at = 0
  const { occurrences } = readSource({ path: 'a.css', text: css, encoding: 'utf-8' })
  for (const { range } of occurrences) {
    between.push(css.slice(at, range.start))
    at = range.end
  }
  const colors = occurrences.map(({ raw }) => raw)
  return { colors, keys: occurrences.map(({ color }) => color), between: [...between, css.slice(at)] }
}
