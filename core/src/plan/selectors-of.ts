import { readSelectors, type SelectorFacts } from '../selector/selector.ts'
import type { Context } from '../source/occurrence.ts'

/** By place, the selectors of its list: the same places are asked for again with every step of whoever decides. */
const known = new WeakMap<object, readonly SelectorFacts[]>()

/** The selectors of the list that a place stands under. A style attribute, which paints one element only, and a list that cannot be read have a subject of their own. */
export function selectorsOf(
  place: Pick<Context, 'selector' | 'subjects' | 'signals' | 'specificity'>,
): readonly SelectorFacts[] {
  const { selector, subjects, signals, specificity } = place
  if (selector === null) return []
  if (specificity === null) return [{ subject: JSON.stringify(selector), signals: [], specificity: [0, 0, 0] }]
  const [subject] = subjects
  // What the audit read of one selector need not be read again.
  if (subject !== undefined && !selector.includes(',')) return [{ subject, signals, specificity }]
  const read = known.get(place) ?? readSelectors(selector) ?? []
  known.set(place, read)
  return read
}
