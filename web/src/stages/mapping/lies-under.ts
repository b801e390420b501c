import { partsOfCompound } from '@undo-ink/core'
import type { PlaceOf, SitePlaces, Taking } from '../../work/places.ts'

/**
 * Selectors of rules that give a thing, in a state or of a kind, another color of its ground and nothing else. Where the ground becomes a gradient, it
 * would stay over them: `background-color` takes no image away.
 * @param grounds what becomes a gradient
 * @param taking what takes another color: a keyword such as `transparent`, or what is computed
 */
export function liesUnder(grounds: readonly PlaceOf[], all: SitePlaces, taking: readonly Taking[]): string[] {
  const own = new Set<PlaceOf | Taking>(grounds)
  const subjects = new Set(grounds.flatMap((place) => place.subjects))
  const isOfThem = (subject: string) =>
    subjects.has(subject) || partsOfCompound(subject).some((part) => subjects.has(part))
  const files = all.ledger.columns.path.values
  const around = [...all.ofSubjects(files, all.kinOf(subjects)).values()].flat()
  const under = [...around, ...taking].filter(
    (place) => !own.has(place) && /^background-color$/i.test(place.property) && place.subjects.some(isOfThem),
  )
  return [...new Set(under.flatMap(({ selector }) => selector ?? []))]
}
