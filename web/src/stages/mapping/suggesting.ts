import {
  type Cluster,
  type Decision,
  type Observation,
  type OpaqueKey,
  observe,
  type Reason,
  type Role,
  type Suggestion,
  suggestions,
} from '@undo-ink/core'
import type { SitePlaces } from '../../work/places.ts'
import type { Row } from '../../work/standing.ts'

/** Places of one cluster that are looked at: enough to tell what it is, on sites of any size. */
const MOST_SEEN = 400

const observations = new WeakMap<Cluster, Observation>()

/** What each cluster could become, by its lead. What is seen of a cluster is kept as long as the cluster is. */
export function suggestedFor(
  rows: readonly Row[],
  places: SitePlaces,
  roles: readonly Role[],
): Map<OpaqueKey, Suggestion[]> {
  const observed = rows.map(({ cluster, indices }) => {
    const seen = observations.get(cluster) ?? observe(places.some(indices.subarray(0, MOST_SEEN)))
    observations.set(cluster, seen)
    return { lead: cluster.lead, seen }
  })
  return suggestions(observed, roles)
}

/** The suggestion for a row: for the part of one use its own, or that for all. */
export function suggestionsOf(row: Row, all: ReadonlyMap<OpaqueKey, readonly Suggestion[]>): readonly Suggestion[] {
  const found = all.get(row.cluster.lead) ?? []
  return row.use === null ? found : found.filter(({ use }) => use === null || use === row.use).slice(-1)
}

/** The decisions that take the suggestions for a row: one for all its uses, or one for each. */
export function decisionsFor(row: Row, taken: readonly Suggestion[], newId: () => string): Decision[] {
  const colors = row.cluster.members.toSorted()
  return taken.map(({ use, to }): Decision => {
    const only = row.use ?? use
    return { id: newId(), target: only === null ? { colors } : { colors, use: only }, to }
  })
}

/** From which sureness a suggestion is called what. */
export const SURENESS = [
  { name: 'sure', from: 0.8 },
  { name: 'likely', from: 0.6 },
  { name: 'possible', from: 0 },
] as const

export function surenessName(sureness: number): string {
  return SURENESS.find(({ from }) => sureness >= from)?.name ?? 'possible'
}

export const REASON_WORDS: Readonly<Record<Reason, string>> = {
  'page-ground': 'it is the ground of the pages',
  'page-text': 'it is the text of the pages',
  'light-ground': 'a light ground of little colour',
  'dark-text': 'dark, of little colour',
  'mid-text': 'text between dark and light, of little colour',
  'light-text': 'light text, for dark grounds',
  'grey-line': 'a line of little colour',
  links: 'it is mostly the text of links',
  'most-used-hue': 'the most used colour with a hue',
  'second-hue': 'the most used colour of another hue',
  shade: 'a shade of it',
  named: 'what is named around it says so',
  'same-color': 'it has that colour already',
}

/** What a suggestion is for, in words. */
export function suggestionText({ to, use }: Suggestion, roles: readonly Role[]): string {
  const only = use === null ? '' : `${use}: `
  if (to.kind === 'follow') return `${only}follow ${to.lead}`
  return `${only}${roles.find(({ id }) => id === to.role)?.name ?? ''}`
}
