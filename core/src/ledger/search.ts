import type { OpaqueKey } from '../color/color.ts'
import { deltaE2000, type Lab, labOf } from '../color/difference.ts'
import { isOfFamily } from '../color/family-name.ts'
import { parseColor } from '../color/literal.ts'
import type { Column, Ledger } from './ledger.ts'

/** What one field of search holds: a color, to find what is near it, or a text. */
export type Query =
  | { readonly kind: 'color'; readonly color: OpaqueKey }
  /** A word for colors: all of that family, and what holds the word. */
  | { readonly kind: 'family'; readonly text: string }
  | { readonly kind: 'text'; readonly text: string }

/** CIELAB of each distinct color of a ledger, by its code. */
export function labsOf({ columns }: Ledger): (Lab | null)[] {
  return columns.color.values.map(labOfKey)
}

function labOfKey(key: OpaqueKey): Lab | null {
  const color = parseColor(key)
  return color && labOf(color)
}

/** ΔE00 of each distinct color to one, by its code. @param labs of the ledger's colors */
export function distancesTo(color: OpaqueKey, labs: readonly (Lab | null)[]): Float64Array {
  const lab = labOfKey(color)
  return Float64Array.from(labs, (each) => (lab && each ? deltaE2000(lab, each) : Number.POSITIVE_INFINITY))
}

/** Marks the places in which a text is found, whatever the case of its letters: in the selector, property, heading, variable, file name, or as it is written. */
export function markText({ columns }: Ledger, text: string, marks: Uint8Array): void {
  const sought = text.toLowerCase()
  const { selector, property, heading, variable, path, raw } = columns
  for (const { codes, values } of [selector, property, heading, variable, path, raw] as Column<string | null>[])
    markHits(
      marks,
      codes,
      values.map((value) => value?.toLowerCase().includes(sought) === true),
    )
}

/** Marks the places whose code hits. @param hits by code */
export function markHits(marks: Uint8Array, codes: Uint32Array, hits: readonly boolean[]): void {
  if (!hits.includes(true)) return
  for (let at = 0; at < marks.length; at++) if (hits[codes[at] as number]) marks[at] = 1
}

/** Marks the places whose color is of a family, as people call it. */
export function markFamily({ columns: { color } }: Ledger, name: string, marks: Uint8Array): void {
  const hits = color.values.map((key) => {
    const read = parseColor(key)
    return read !== null && isOfFamily(read, name)
  })
  markHits(marks, color.codes, hits)
}
