import { append } from '../collect.ts'
import { opaqueKey } from '../color/color.ts'
import { type ChannelFunction, channelLiteral } from '../color/literal.ts'
import type { ChannelTriple, Definition, Occurrence, Reading, Reference } from './occurrence.ts'

/** What one file of a site holds. */
export interface FileReading {
  readonly path: string
  readonly reading: Reading
}

type InFile<T> = T & { readonly file: string }

/** A variable that carries a color, with everything that defines it or takes it, across files, in their order. */
export interface Variable {
  /** With its sigil. */
  readonly name: string
  readonly definitions: readonly InFile<Definition>[]
  readonly references: readonly InFile<Reference>[]
  /** Places that take its value in the end, directly or through other variables, each counted once. */
  readonly uses: number
}

/** Makes an occurrence of three bare numbers in a variable where a color function of any file takes that variable, through others or not. */
export function linkChannels<F extends { readonly reading: Reading | null }>(files: readonly F[]): F[] {
  const taken = channelsTaken(files.flatMap(({ reading }) => reading ?? []))
  return files.map((file) => (file.reading ? { ...file, reading: withChannels(file.reading, taken) } : file))
}

/** The name under which a variable is looked up: to Sass `_` and `-` in names are the same. */
export function variableKey(name: string): string {
  return name.startsWith('$') ? name.replaceAll('_', '-') : name
}

/** For each variable whose channels a color function takes: that function, the first in the order of the files. */
function channelsTaken(readings: readonly Reading[]): Map<string, ChannelFunction> {
  const taken = new Map<string, ChannelFunction>()
  const chains = new Map<string, string[]>()
  const pending: string[] = []
  for (const { references } of readings)
    for (const { name, variable, channelsOf } of references) {
      if (variable !== null) append(chains, variableKey(variable), variableKey(name))
      if (channelsOf === null || taken.has(variableKey(name))) continue
      taken.set(variableKey(name), channelsOf)
      pending.push(variableKey(name))
    }
  for (let name = pending.pop(); name !== undefined; name = pending.pop())
    for (const source of chains.get(name) ?? []) {
      if (taken.has(source)) continue
      taken.set(source, taken.get(name) as ChannelFunction)
      pending.push(source)
    }
  return taken
}

function withChannels(reading: Reading, taken: ReadonlyMap<string, ChannelFunction>): Reading {
  if (taken.size === 0) return reading
  const channels = reading.triples.flatMap((triple) =>
    occurrenceOf(triple, taken.get(variableKey(triple.variable ?? ''))),
  )
  if (channels.length === 0) return reading
  const occurrences = [...reading.occurrences, ...channels].sort((a, b) => a.range.start - b.range.start)
  return { ...reading, occurrences }
}

function occurrenceOf(triple: ChannelTriple, by: ChannelFunction | undefined): Occurrence[] {
  const literal = by === undefined ? null : channelLiteral(by, triple.raw)
  if (!literal) return []
  const { notation, color } = literal
  const { alpha } = color
  const found = {
    notation,
    color: opaqueKey(color),
    alpha,
    functions: [],
    computedWith: null,
    isWhole: true,
    inner: null,
  }
  return [{ ...triple, ...found, confidence: 'likely' }]
}

/** Steps along chains of variables that are taken in all before only direct uses are counted: hostile chains cost no time. */
const MOST_STEPS = 2_000_000

/** Each variable that carries a color, in all files together, by name. @param files with their channels linked */
export function listVariables(files: readonly FileReading[]): Variable[] {
  const carrying = new Set<string>()
  const definitions = new Map<string, InFile<Definition>[]>()
  const references = new Map<string, InFile<Reference>[]>()
  for (const { path: file, reading } of files) {
    for (const each of reading.definitions) append(definitions, variableKey(each.name), { ...each, file })
    for (const each of reading.references) append(references, variableKey(each.name), { ...each, file })
    for (const { variable } of [...reading.occurrences, ...reading.keywords, ...reading.computed])
      if (variable !== null) carrying.add(variableKey(variable))
  }
  // A set is walked in the order of insertion, what is added on the way included.
  for (const name of carrying)
    for (const { variable } of references.get(name) ?? []) if (variable !== null) carrying.add(variableKey(variable))

  let steps = 0
  const usesOf = (name: string) => {
    const met = new Set([name])
    let uses = 0
    for (const each of met)
      for (const { variable } of references.get(each) ?? []) {
        if (variable === null) uses++
        else if (++steps < MOST_STEPS) met.add(variableKey(variable))
      }
    return uses
  }
  return [...carrying].sort().map((name) => ({
    name: definitions.get(name)?.[0]?.name ?? name,
    definitions: definitions.get(name) ?? [],
    references: references.get(name) ?? [],
    uses: usesOf(name),
  }))
}
