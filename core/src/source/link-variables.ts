import { append } from '../collect.ts'
import { linkChannels, variableKey } from './link.ts'
import type { Reading, Use } from './occurrence.ts'
import { passesOn } from './through.ts'

/** What can be said of variables only with all files of a site together: which hold the channels of a color, and what they are used for. */
export function linkVariables<F extends { readonly reading: Reading | null }>(files: readonly F[]): F[] {
  return linkUses(linkChannels(files))
}

/** Gives each place that is the value of a variable the use that all that takes it has, where they have one in common: what it paints, it is used for. */
function linkUses<F extends { readonly reading: Reading | null }>(files: readonly F[]): F[] {
  const uses = usesOfVariables(files.flatMap(({ reading }) => reading ?? []))
  const onlyUse = (variable: string): Use | null => {
    const own = uses.get(variableKey(variable))
    const [only] = own ?? []
    return own?.size === 1 && only !== undefined && only !== 'other' ? only : null
  }
  return files.map((file) => (file.reading ? { ...file, reading: withUses(file.reading, onlyUse) } : file))
}

/** By variable, what it is used for wherever it is taken, by way of other variables too. Linear: each use goes along each link once. */
function usesOfVariables(readings: readonly Reading[]): Map<string, Set<Use>> {
  const uses = new Map<string, Set<Use>>()
  const sources = new Map<string, string[]>()
  const pending: (readonly [string, Use])[] = []
  const add = (name: string, use: Use) => {
    const own = uses.get(name) ?? new Set()
    uses.set(name, own)
    if (own.has(use)) return
    own.add(use)
    pending.push([name, use])
  }
  for (const { references } of readings)
    for (const reference of references) {
      const [name, variable] = [variableKey(reference.name), reference.variable]
      if (variable === null) add(name, reference.use)
      else if (passesOn(reference)) append(sources, variableKey(variable), name)
    }
  for (let next = pending.pop(); next; next = pending.pop())
    for (const source of sources.get(next[0]) ?? []) add(source, next[1])
  return uses
}

function withUses(reading: Reading, onlyUse: (variable: string) => Use | null): Reading {
  if (reading.occurrences.every(({ use }) => use !== 'variable')) return reading
  const occurrences = reading.occurrences.map((place) => {
    const use = place.use === 'variable' && place.variable !== null ? onlyUse(place.variable) : null
    return use === null ? place : { ...place, use }
  })
  return { ...reading, occurrences }
}
