import type { PlaceOf, SitePlaces } from '../../work/places.ts'
import type { Row } from '../../work/standing.ts'

/** What the next place has in common with the one that is selected. */
export const STEPS = ['colour', 'cluster', 'file'] as const
export type Step = (typeof STEPS)[number]

/** Indices of all places that share with one what is stepped along, in the order of the site. */
export function placesAlong(step: Step, place: PlaceOf, places: SitePlaces, rows: readonly Row[]): Uint32Array {
  if (step === 'file') return places.inFile(place.path)
  const members =
    step === 'cluster' ? rows.find(({ cluster }) => cluster.members.includes(place.color))?.cluster.members : null
  return places.ofColors(members ?? [place.color])
}

/** The place before or behind one, around the end of the site. @param along its like, it among them */
export function neighbour(along: Uint32Array, index: number, direction: 1 | -1): number {
  const at = along.indexOf(index)
  return along[(at + direction + along.length) % along.length] ?? index
}
