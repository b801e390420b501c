import { append } from '../collect.ts'
import { opaqueKey } from '../color/color.ts'
import { type ChannelFunction, channelLiteral } from '../color/literal.ts'
import type { ChannelTriple, Occurrence, Reading, Use } from './occurrence.ts'
import { type VariableFacts, variableFacts, variableKey } from './variable-facts.ts'

/** What can be said of variables only with all files of a site together, by what they are looked up under. */
export interface LinkedVariables {
  /** For each variable whose channels a color function takes: that function, the first in the order of the files. */
  readonly channels: ReadonlyMap<string, ChannelFunction>
  /** What all that takes a variable uses it for, where that is one thing: what it paints, it is used for. */
  readonly uses: ReadonlyMap<string, Use>
}

/** @param facts of all files of a site, in their order */
export function linkedVariables(facts: readonly VariableFacts[]): LinkedVariables {
  return { channels: channelsTaken(facts), uses: commonUses(facts) }
}

/** A place as all files together tell it: the value of a variable has the use of what takes it. */
export function linkPlace<P extends { readonly variable: string | null; readonly use: Use }>(
  place: P,
  { uses }: LinkedVariables,
): P {
  const use = isOfVariable(place) ? uses.get(variableKey(place.variable)) : undefined
  return use === undefined ? place : { ...place, use }
}

/** Whether only all files together tell what a place is used for. */
export function isOfVariable(place: {
  readonly variable: string | null
  readonly use: Use
}): place is { readonly variable: string; readonly use: 'variable' } {
  return place.use === 'variable' && place.variable !== null
}

type FoundInTriple = Pick<
  Occurrence,
  'notation' | 'color' | 'alpha' | 'functions' | 'computedWith' | 'isWhole' | 'inner' | 'confidence'
>

/** What three bare numbers of a variable are where a color function of any file takes it, through others or not; null: no color. */
export function linkTriple(
  { variable, raw }: Pick<ChannelTriple, 'variable' | 'raw'>,
  { channels }: LinkedVariables,
): FoundInTriple | null {
  const by = channels.get(variableKey(variable ?? ''))
  const literal = by === undefined ? null : channelLiteral(by, raw)
  if (!literal) return null
  const { notation, color } = literal
  const { alpha } = color
  return {
    notation,
    color: opaqueKey(color),
    alpha,
    functions: [],
    computedWith: null,
    isWhole: true,
    inner: null,
    confidence: 'likely',
  }
}

/** What files hold, with what can be said of their variables only with all of them together. */
export function linkVariables<F extends { readonly reading: Reading | null }>(files: readonly F[]): F[] {
  const linked = linkedVariables(files.flatMap(({ reading }) => (reading ? [variableFacts(reading)] : [])))
  return files.map((file) => (file.reading ? { ...file, reading: linkedReading(file.reading, linked) } : file))
}

function linkedReading(reading: Reading, linked: LinkedVariables): Reading {
  const channels = reading.triples.flatMap((triple): Occurrence[] => {
    const found = linkTriple(triple, linked)
    return found ? [{ ...triple, ...found }] : []
  })
  if (channels.length === 0 && !reading.occurrences.some(isOfVariable)) return reading
  const occurrences = [...reading.occurrences, ...channels].map((place) => linkPlace(place, linked))
  return { ...reading, occurrences: occurrences.sort((a, b) => a.range.start - b.range.start) }
}

function channelsTaken(facts: readonly VariableFacts[]): Map<string, ChannelFunction> {
  const taken = new Map<string, ChannelFunction>()
  const chains = new Map<string, string[]>()
  const pending: string[] = []
  for (const file of facts)
    for (const { key, by, channelsOf } of file.taken) {
      if (by !== null) append(chains, by, key)
      if (channelsOf === null || taken.has(key)) continue
      taken.set(key, channelsOf)
      pending.push(key)
    }
  for (let key = pending.pop(); key !== undefined; key = pending.pop())
    for (const source of chains.get(key) ?? []) {
      if (taken.has(source)) continue
      taken.set(source, taken.get(key) as ChannelFunction)
      pending.push(source)
    }
  return taken
}

/** What variables are used for wherever they are taken, by way of others too. Linear: each use goes along each link once. */
function commonUses(facts: readonly VariableFacts[]): Map<string, Use> {
  const uses = new Map<string, Set<Use>>()
  const sources = new Map<string, string[]>()
  const pending: (readonly [string, Use])[] = []
  const add = (key: string, use: Use) => {
    const own = uses.get(key) ?? new Set()
    uses.set(key, own)
    if (own.has(use)) return
    own.add(use)
    pending.push([key, use])
  }
  for (const file of facts)
    for (const { key, by, use, passesOn } of file.taken) {
      if (by === null) add(key, use)
      else if (passesOn) append(sources, by, key)
    }
  for (let next = pending.pop(); next; next = pending.pop())
    for (const source of sources.get(next[0]) ?? []) add(source, next[1])
  const common = new Map<string, Use>()
  for (const [key, [only, ...more]] of uses)
    if (only !== undefined && only !== 'other' && more.length === 0) common.set(key, only)
  return common
}
