import type { CheckDocument } from '@undo-ink/contracts'
import { append, type Occurrence } from '@undo-ink/core'
import type { Folder } from './read-folder.ts'
import type { Unopened } from './walk.ts'

/** `1 place`, `3 places` */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${number} ${number === 1 ? one : many}`
}

/** What a command prints, in pieces, and what of its folder was not opened. */
export interface Printed {
  readonly output: Iterable<string>
  readonly unopened: readonly Unopened[]
}

export function asJson(value: unknown): string {
  return `${JSON.stringify(value, null, 2)}\n`
}

/** An audit for people, in pieces: one line for each color, most used first, with the places under it. */
export function* auditText(files: Folder['files']): Generator<string> {
  const byColor = new Map<string, (readonly [file: string, place: Occurrence])[]>()
  let all = 0
  for (const { path, reading } of files)
    for (const place of reading?.occurrences ?? []) {
      append(byColor, place.color, [path, place] as const)
      all++
    }
  const read = files.filter(({ skipped }) => skipped === null).length
  yield `${count(all, 'place')} in ${count(byColor.size, 'colour')}, in ${read} of ${count(files.length, 'file')}\n`
  const sorted = [...byColor].toSorted(([a, x], [b, y]) => y.length - x.length || (a < b ? -1 : 1))
  for (const [color, places] of sorted) {
    const lines = places.map(([file, place]) => `  ${placeText({ ...place, file })}\n`)
    yield `\n${color}  ${places.length}\n${lines.join('')}`
  }
  const findings = files.flatMap(({ path, reading }) =>
    (reading?.findings ?? []).map(({ line, column, code, excerpt, meaning }) => {
      const what = code === 'and-more' ? excerpt : code
      return `${path}:${line}:${column}  ${what}${meaning === null ? '' : `, likely ${meaning}`}\n`
    }),
  )
  if (findings.length > 0) yield `\n${findings.join('')}`
}

/** A check for people: one line for each place. */
export function checkText({ places }: CheckDocument): string {
  if (places.length === 0) return 'every colour is of the palette\n'
  const lines = places.map((place) => `${placeText(place)}${nearestText(place)}`)
  return `${lines.join('\n')}\n${count(places.length, 'place has a colour that is', 'places have colours that are')} not of the palette\n`
}

/** `, nearest primary (ΔE00 2.4)` */
export function nearestText({ nearest }: CheckDocument['places'][number]): string {
  return nearest ? `, nearest ${nearest.role} (ΔE00 ${nearest.distance})` : ''
}

type CheckedPlace = Pick<CheckDocument['places'][number], 'file' | 'line' | 'column' | 'raw' | 'property' | 'selector'>

function placeText({ file, line, column, raw, property, selector }: CheckedPlace): string {
  return `${file}:${line}:${column}  ${raw}  ${property}${selector === null ? '' : `  ${selector}`}`
}
