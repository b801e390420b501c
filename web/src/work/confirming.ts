import type { Act } from '@undo-ink/core'
import type { PlaceOf, SitePlaces } from './places.ts'

/** The act that confirms places which are only possibly colors. */
export function confirming(places: readonly PlaceOf[]): Act {
  const confirmed = places.map(({ path, range: { start } }) => ({ path, start }))
  return { kind: 'confirm', confirmations: [{ id: crypto.randomUUID(), places: confirmed }] }
}

/** The places that are as much a color as one: only possibly, in the same file, under the same key. */
export function alike(place: PlaceOf, places: SitePlaces): PlaceOf[] {
  return places
    .some(places.inFile(place.path))
    .filter(({ confidence, property }) => confidence === 'possible' && property === place.property)
}
