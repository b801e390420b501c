import type { SelectorPart } from '../selector/part.ts'
import { readSelector } from '../selector/selector.ts'
import type { Context } from '../source/occurrence.ts'

/** What was read of the lists of places that are still there: they are asked for again with every step of the one who decides. */
const known = new WeakMap<object, readonly SelectorPart[]>()

/** The selectors of the list that a place stands under. A style attribute, which paints one element only, and a list that cannot be read have a subject of their own. */
export function partsOf(
  place: Pick<Context, 'selector' | 'subjects' | 'states' | 'specificity'>,
): readonly SelectorPart[] {
  const { selector, subjects, states, specificity } = place
  if (selector === null) return []
  if (specificity === null) return [{ subject: JSON.stringify(selector), states: [], specificity: [0, 0, 0] }]
  const [subject] = subjects
  // What the audit read of one selector need not be read again.
  if (subject !== undefined && !selector.includes(',')) return [{ subject, states, specificity }]
  const read = known.get(place) ?? readSelector(selector) ?? []
  known.set(place, read)
  return read
}
