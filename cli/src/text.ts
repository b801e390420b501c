import type { CheckDocument } from '@undo-ink/contracts'
import type { Unopened } from './walk.ts'

/** `1 place`, `3 places` */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${number} ${number === 1 ? one : many}`
}

/** What a command prints, in pieces, and what of its folder was not opened. */
export interface Printed {
  readonly output: Iterable<string | Uint8Array>
  readonly unopened: readonly Unopened[]
}

export function asJson(value: unknown): string {
  return `${JSON.stringify(value, null, 2)}\n`
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

type WrittenPlace = Pick<CheckDocument['places'][number], 'file' | 'line' | 'column' | 'raw' | 'property' | 'selector'>

/** `css/a.css:3:10  #fff  color  a:hover` */
export function placeText({ file, line, column, raw, property, selector }: WrittenPlace): string {
  return `${file}:${line}:${column}  ${raw}  ${property}${selector === null ? '' : `  ${selector}`}`
}
