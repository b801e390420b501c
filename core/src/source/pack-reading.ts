import type { Reading } from './occurrence.ts'
import { type PackedPlaces, packPlaces, unpackPlaces } from './pack-places.ts'

/** The lists of a reading that grow with its file; all else is little. */
type Lists = Pick<Reading, 'occurrences' | 'keywords' | 'computed' | 'definitions' | 'references' | 'triples'>

interface Packed extends Omit<Reading, keyof Lists> {
  readonly packed: PackedPlaces
}

/** A reading as a text, which is about as long as its file: at most 32 times, where rules are nested 300 deep; the places by themselves could be thousands of times as long. */
export function packReading(reading: Reading): string {
  const { occurrences, keywords, computed, definitions, references, triples, ...little } = reading
  const lists: Lists = { occurrences, keywords, computed, definitions, references, triples }
  const packed: Packed = { packed: packPlaces({ ...lists }), ...little }
  return JSON.stringify(packed)
}

/** The reading of such a text. Throws for one that is none. */
export function unpackReading(text: string): Reading {
  const { packed, ...little } = JSON.parse(text) as Packed
  return { ...(unpackPlaces(packed) as unknown as Lists), ...little }
}
