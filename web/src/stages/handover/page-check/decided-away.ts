import { type Column, type OpaqueKey, type Outcome, opaqueKey } from '@undo-ink/core'
import type { SitePlaces } from '../../../work/places.ts'
import { paintKeyOf } from '../../../work/standing.ts'

/** What a page may not show any more. */
export interface DecidedAway {
  /** Colors of which every place becomes something else, and that nothing becomes. */
  readonly colors: readonly OpaqueKey[]
  /** Colors that become something else in some places and stay in others: a page may show them. */
  readonly staying: number
}

/** Linear in the distinct outcomes of each color. @param added colors of rules that are added */
export function decidedAway(places: SitePlaces, outcomes: Column<Outcome>, added: readonly OpaqueKey[]): DecidedAway {
  const { values } = places.ledger.columns.color
  const byColor = places.tally(outcomes.codes)
  const made = new Set(added)
  for (const outcome of outcomes.values) {
    const paint = paintKeyOf(outcome)
    if (paint !== null) made.add(paint)
    if (outcome.kind === 'gradient') for (const stop of outcome.stops) made.add(opaqueKey(stop))
  }
  const colors: OpaqueKey[] = []
  let staying = 0
  values.forEach((key, code) => {
    const found = [...(byColor[code]?.keys() ?? [])].map((each) => outcomes.values[each] as Outcome)
    const leaving = found.filter((outcome) => leaves(key, outcome)).length
    if (leaving === 0) return
    if (leaving === found.length && !made.has(key)) colors.push(key)
    else staying++
  })
  return { colors, staying }
}

/** Whether a place of a color is painted with something else. */
function leaves(key: OpaqueKey, outcome: Outcome): boolean {
  const paint = paintKeyOf(outcome)
  return paint === null ? outcome.kind === 'inherit' : paint !== key
}
