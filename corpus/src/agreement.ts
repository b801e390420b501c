import type { Occurrence } from '@undo-ink/core'
import { colorsByEngine, NONE } from './routes/engine.ts'
import { colorsByLess } from './routes/less.ts'
import { colorsByPage } from './routes/page.ts'
import { colorsBySass } from './routes/sass.ts'
import { colorsByTokens } from './routes/tokens.ts'

/** How far two lists agree. Recall: of the other's, the share that ours has; precision: of ours, the share that the other has. */
export interface Agreement {
  readonly ours: number
  readonly theirs: number
  readonly both: number
  /** What only one side has, as a line to read. */
  readonly differences: readonly string[]
}

/** Place by place against the first route. The old filters are no tokens of color to it: they are left out. */
export function agreeByTokens(text: string, occurrences: readonly Occurrence[]): Agreement {
  const ours = new Map(
    occurrences.filter(({ functions }) => functions[0] !== 'progid').map((o) => [o.range.start, o.raw]),
  )
  return byPlace(text, ours, new Map(colorsByTokens(text).map(({ start, raw }) => [start, raw])))
}

function byPlace(text: string, ours: ReadonlyMap<number, string>, theirs: ReadonlyMap<number, string>): Agreement {
  const around = (at: number) => text.slice(Math.max(0, at - 30), at + 30).replace(/\s+/g, ' ')
  const differences = [
    ...[...ours.keys()].filter((at) => !theirs.has(at)).map((at) => `ours only: ${around(at)}`),
    ...[...theirs.keys()].filter((at) => !ours.has(at)).map((at) => `theirs only: ${around(at)}`),
  ]
  const both = [...ours.keys()].filter((at) => theirs.has(at)).length
  return { ours: ours.size, theirs: theirs.size, both, differences }
}

/** Place by place: pages, templates and drawings against the parser of the HTML standard. What it can't see is left out: scripts, the code of tags. */
export function agreeByPage(path: string, text: string, occurrences: readonly Occurrence[]): Agreement {
  const { hits, isUnseen } = colorsByPage(path, text)
  const seen = occurrences.filter(
    ({ range, evidence, inner }) => evidence === null && inner === null && !isUnseen(range.start),
  )
  return byPlace(
    text,
    new Map(seen.map((o) => [o.range.start, o.raw])),
    new Map(hits.map(({ start, raw }) => [start, raw])),
  )
}

/** Color by color against the second route. */
export function agreeByEngine(text: string, occurrences: readonly Occurrence[]): Agreement {
  return compare(declarationsByColor(text, occurrences), colorsByEngine(text))
}

/** How many declarations hold each color. The engine reads no words in custom properties, and no old filters: they are left out. */
function declarationsByColor(text: string, occurrences: readonly Occurrence[]): Map<string, number> {
  const keys: string[] = []
  let inDeclaration = new Set<string>()
  let reached = 0
  for (const occurrence of occurrences) {
    const { range, functions, notation, variable } = occurrence
    if (/[;{}]/.test(text.slice(reached, range.start))) inDeclaration = new Set()
    reached = range.end
    if (functions[0] === 'progid' || (notation === 'name' && variable !== null)) continue
    const key = keyOf(occurrence)
    if (key === NONE || inDeclaration.has(key)) continue
    inDeclaration.add(key)
    keys.push(key)
  }
  return countOf(keys)
}

/** Color by color against the parser of the preprocessor itself. It reads no custom properties, and takes `transparent` for a color. */
export async function agreeByCompiler(
  syntax: 'scss' | 'less',
  text: string,
  occurrences: readonly Occurrence[],
): Promise<Agreement> {
  const theirs = countOf(
    (syntax === 'scss' ? colorsBySass(text) : await colorsByLess(text)).filter((key) => key !== NONE),
  )
  const ours = countOf(
    occurrences
      .filter(({ variable }) => !variable?.startsWith('--'))
      .map(keyOf)
      .filter((key) => key !== NONE),
  )
  return compare(ours, theirs)
}

function countOf(keys: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>()
  for (const key of keys) counts.set(key, (counts.get(key) ?? 0) + 1)
  return counts
}

function keyOf({ color, alpha }: Occurrence): string {
  const channels = [1, 3, 5].map((at) => Number.parseInt(color.slice(at, at + 2), 16))
  return [...channels, Math.round((alpha ?? 1) * 255)].join(' ')
}

function compare(ours: ReadonlyMap<string, number>, theirs: ReadonlyMap<string, number>): Agreement {
  const sum = (counts: ReadonlyMap<string, number>) => [...counts.values()].reduce((total, n) => total + n, 0)
  const keys = [...new Set([...ours.keys(), ...theirs.keys()])]
  return {
    ours: sum(ours),
    theirs: sum(theirs),
    both: keys.reduce((total, key) => total + Math.min(ours.get(key) ?? 0, theirs.get(key) ?? 0), 0),
    differences: keys
      .filter((key) => ours.get(key) !== theirs.get(key))
      .map((key) => `rgb ${key}: ours ${ours.get(key) ?? 0}, theirs ${theirs.get(key) ?? 0}`),
  }
}
