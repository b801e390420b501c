import type { Occurrence } from '../source/occurrence.ts'
import type { WrittenRule } from '../source/read.ts'
import type { Declaration } from '../source/sheet/rules.ts'
import type { Corrected } from './corrections.ts'
import { declaresImage, type Holding } from './declaration.ts'

/** A rule with what its declarations hold. */
export interface HoldingRule<P extends Occurrence> {
  readonly rule: WrittenRule
  readonly holdings: ReadonlyMap<Declaration, Holding<P>>
}

/** The places and slips of one file, by the declarations that hold them. */
export interface Holdings<P extends Occurrence> {
  readonly rules: readonly HoldingRule<P>[]
  readonly holderOf: (place: P) => { readonly held: HoldingRule<P>; readonly declaration: Declaration } | null
  /** Those that no declaration of a rule holds as a whole: attributes, scripts, settings, arguments. */
  readonly loosePlaces: readonly P[]
  readonly looseSlips: readonly Corrected[]
}

/** @param text the file's, as received @param places in the order of the text, as the slips */
export function holdingsOf<P extends Occurrence>(
  text: string,
  rules: readonly WrittenRule[],
  places: readonly P[],
  slips: readonly Corrected[],
): Holdings<P> {
  const declaredAt = finder(rules)
  const byRule = new Map<WrittenRule, Map<Declaration, { places: P[]; slips: Corrected[] }>>()
  const listsAt = (start: number, end: number) => {
    const found = declaredAt(start)
    if (!found || end > found.declaration.end) return null
    const { rule, declaration } = found
    const own = byRule.get(rule) ?? new Map<Declaration, { places: P[]; slips: Corrected[] }>()
    byRule.set(rule, own)
    const lists = own.get(declaration) ?? { places: [], slips: [] }
    own.set(declaration, lists)
    return lists
  }
  const loosePlaces = places.filter((place) => !listsAt(place.range.start, place.range.end)?.places.push(place))
  const looseSlips = slips.filter((slip) => {
    const { start, end } = slip.correction.range
    return !listsAt(start, end)?.slips.push(slip)
  })
  const held = new Map(
    [...byRule].map(([rule, own]): [WrittenRule, HoldingRule<P>] => {
      const hasImage = declaresImage(text, rule.declarations)
      const holdings = [...own].map(([declaration, lists]): [Declaration, Holding<P>] => [
        declaration,
        { declaration, ...lists, hasImage },
      ])
      return [rule, { rule, holdings: new Map(holdings) }]
    }),
  )
  return {
    rules: [...held.values()],
    holderOf({ range }) {
      const found = declaredAt(range.start)
      const own = found && held.get(found.rule)
      return own && range.end <= found.declaration.end ? { held: own, declaration: found.declaration } : null
    },
    loosePlaces,
    looseSlips,
  }
}

/** Finds the declaration that holds an offset, with its rule. */
function finder(
  rules: readonly WrittenRule[],
): (offset: number) => { readonly rule: WrittenRule; readonly declaration: Declaration } | null {
  const all = rules
    .flatMap((rule) => rule.declarations.map((declaration) => ({ rule, declaration })))
    .toSorted((a, b) => a.declaration.start - b.declaration.start)
  return (offset) => {
    let [low, high] = [0, all.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((all[middle]?.declaration.start ?? 0) <= offset) low = middle + 1
      else high = middle
    }
    const found = all[low - 1]
    return found && offset < found.declaration.end ? found : null
  }
}
