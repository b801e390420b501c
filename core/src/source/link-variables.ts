import { type FileReading, linkChannels, listVariables } from './link.ts'
import type { Reading, Use } from './occurrence.ts'
import { follower } from './through.ts'

/** What can be said of variables only with all files of a site together: which hold the channels of a color, and what they are used for. */
export function linkVariables<F extends { readonly path: string; readonly reading: Reading | null }>(
  files: readonly F[],
): F[] {
  return linkUses(linkChannels(files))
}

/** Gives each place that is the value of a variable the use that all that takes it has, where they have one in common: what it paints, it is used for. */
function linkUses<F extends { readonly path: string; readonly reading: Reading | null }>(files: readonly F[]): F[] {
  const read = files.flatMap(({ path, reading }): FileReading[] => (reading ? [{ path, reading }] : []))
  const endsOf = follower(listVariables(read))
  const onlyUse = (variable: string): Use | null => {
    const uses = new Set(endsOf(variable).map(({ use }) => use))
    const [only] = uses
    return uses.size === 1 && only !== undefined && only !== 'other' ? only : null
  }
  return files.map((file) => (file.reading ? { ...file, reading: withUses(file.reading, onlyUse) } : file))
}

function withUses(reading: Reading, onlyUse: (variable: string) => Use | null): Reading {
  if (reading.occurrences.every(({ use }) => use !== 'variable')) return reading
  const occurrences = reading.occurrences.map((place) => {
    const use = place.use === 'variable' && place.variable !== null ? onlyUse(place.variable) : null
    return use === null ? place : { ...place, use }
  })
  return { ...reading, occurrences }
}
