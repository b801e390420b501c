import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import {
  clustersAt,
  follower,
  ledgerOf,
  link,
  linkVariables,
  listVariables,
  type Occurrence,
  observeColors,
  type Role,
  readSource,
  type Suggestion,
  suggester,
  together,
} from '@undo-ink/core'

/** A brand that has nothing of the published themes. */
export const BRAND: readonly Role[] = [
  ['primary', '#0b6e74'],
  ['text on primary', '#fdfdfb'],
  ['accent', '#d9822b'],
  ['ground', '#fbfaf6'],
  ['soft ground', '#e8eef1'],
  ['text', '#1f2a30'],
  ['soft text', '#5c6a72'],
  ['line', '#c3d0d6'],
  ['link', '#0a5a8c'],
  ['success', '#2f7d4f'],
  ['warning', '#b7791f'],
  ['danger', '#a12622'],
].map(([name = '', color = '']) => ({ id: name, name, color }))

/** A place with what is suggested for it; `role` the name of the role that it would take in the end. */
export interface SuggestedPlace {
  readonly place: Occurrence
  readonly suggestion: Suggestion | null
  readonly role: string | null
}

const require = createRequire(import.meta.url)

/** A compiled sheet with the names of its custom properties taken out. */
export function namelessSheet(path: string): string {
  const names = new Map<string, string>()
  return readFileSync(require.resolve(path), 'utf8').replace(/--[\w-]+/g, (name) => {
    if (!names.has(name)) names.set(name, `--v${names.size}`)
    return names.get(name) as string
  })
}

export interface SourceFile {
  readonly path: string
  readonly text: string
}

/** What Mapping suggests for each place of some files, by the clusters that it begins with. */
export function suggestedPlaces(files: readonly SourceFile[]): SuggestedPlace[] {
  const read = linkVariables(
    files.map(({ path, text }) => ({ path, reading: readSource({ path, text, encoding: 'utf-8' }) })),
  )
  const places = read.flatMap(({ reading }) => reading.occurrences)
  const counts = new Map<string, number>()
  for (const { color } of places) counts.set(color, (counts.get(color) ?? 0) + 1)
  const grounds = new Set(places.flatMap(({ use, color }) => (use === 'ground' ? [color] : [])))
  const clusters = clustersAt(link(counts.keys(), grounds), TOLERANCE, counts)
  const ledger = ledgerOf(read.map(({ path, reading }) => ({ path, occurrences: reading.occurrences })))
  const seen = observeColors(ledger, follower(listVariables(read)))
  const found = suggester(BRAND)(
    clusters.map(({ lead, members }) => ({ lead, seen: together(members.flatMap((key) => seen.get(key) ?? [])) })),
  )
  const leadOf = new Map(clusters.flatMap(({ lead, members }) => members.map((key) => [key, lead] as const)))
  const roleOf = ({ to }: Suggestion): string | null => {
    if (to.kind === 'role') return BRAND.find(({ id }) => id === to.role)?.name ?? null
    const lead = found.get(to.lead)?.find((each) => each.to.kind === 'role')
    return lead ? roleOf(lead) : null
  }
  return places.map((place) => {
    const own = found.get(leadOf.get(place.color) ?? '') ?? []
    const suggestion = own.findLast(({ use }) => use === null || use === place.use) ?? null
    return { place, suggestion, role: suggestion && roleOf(suggestion) }
  })
}

/** With which Mapping begins. */
const TOLERANCE = 2
