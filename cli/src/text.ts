import type { AuditDocument, CheckDocument } from '@undo-ink/contracts'
import { groupBy } from '@undo-ink/core'
import type { Unopened } from './walk.ts'

/** `1 place`, `3 places` */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${number} ${number === 1 ? one : many}`
}

/** What a command prints, and what of its folder was not opened. */
export interface Printed {
  readonly output: string
  readonly unopened: readonly Unopened[]
}

export function asJson(value: unknown): string {
  return `${JSON.stringify(value, null, 2)}\n`
}

/** An audit for people: one line for each color, most used first, with the places under it. */
export function auditText({ files, occurrences, findings }: AuditDocument): string {
  const byColor = groupBy(occurrences, ({ color }) => color)
  const read = files.filter(({ skipped }) => skipped === undefined).length
  const lines = [
    `${count(occurrences.length, 'place')} in ${count(byColor.size, 'colour')}, in ${read} of ${count(files.length, 'file')}`,
  ]
  const sorted = [...byColor].toSorted(([a, x], [b, y]) => y.length - x.length || (a < b ? -1 : 1))
  for (const [color, places] of sorted) {
    lines.push('', `${color}  ${places.length}`)
    for (const place of places) lines.push(`  ${placeText(place)}`)
  }
  if (findings.length > 0) lines.push('')
  for (const { file, line, column, code, excerpt, meaning } of findings)
    lines.push(
      `${file}:${line}:${column}  ${code === 'and-more' ? excerpt : code}${meaning === null ? '' : `, likely ${meaning}`}`,
    )
  return `${lines.join('\n')}\n`
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
