import { partsOfCompound } from '@undo-ink/core'
import type { PlaceOf, SitePlaces } from '../../work/places.ts'

/**
 * Places that give a thing, in a state or of a kind, another color of its ground and nothing else. Where the ground becomes a gradient, it would stay over
 * them: `background-color` takes no image away.
 * @param grounds what becomes a gradient
 */
export function liesUnder(grounds: readonly PlaceOf[], all: SitePlaces): PlaceOf[] {
  const own = new Set(grounds.map(({ index }) => index))
  const subjects = new Set(grounds.flatMap((place) => place.subjects))
  const isOfThem = (subject: string) =>
    subjects.has(subject) || partsOfCompound(subject).some((part) => subjects.has(part))
  const files = all.ledger.columns.path.values
  return [...all.ofSubjects(files, all.kinOf(subjects)).values()]
    .flat()
    .filter(
      ({ index, property, subjects: each }) =>
        !own.has(index) && /^background-color$/i.test(property) && each.some(isOfThem),
    )
}
