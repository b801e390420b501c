import type { Decision, OpaqueKey, Reason, Role, Suggestion } from '@undo-ink/core'
import type { Row } from '../../work/standing.ts'

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

/** Number of places of a row that suggestions for it decide. */
export function placesOf({ count, uses }: Row, taken: readonly Suggestion[]): number {
  if (taken.some(({ use }) => use === null)) return count
  return uses.reduce((sum, [use, places]) => sum + (taken.some((each) => each.use === use) ? places : 0), 0)
}

/** From which sureness a suggestion is called what. */
export const SURENESS = [
  { name: 'sure', from: 0.8 },
  { name: 'likely', from: 0.6 },
  { name: 'possible', from: 0 },
] as const

function surenessName(sureness: number): string {
  return SURENESS.find(({ from }) => sureness >= from)?.name ?? 'possible'
}

const REASON_WORDS: Readonly<Record<Reason, string>> = {
  called: 'its author calls it so',
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

/** What some suggestions for one row are for, in words; uses that become the same are said together. */
export function suggestionsText(found: readonly Suggestion[], roles: readonly Role[]): string {
  const uses = new Map<string, string[]>()
  for (const { to, use } of found) {
    const becomes = to.kind === 'follow' ? `follow ${to.lead}` : (roles.find(({ id }) => id === to.role)?.name ?? '')
    uses.set(becomes, [...(uses.get(becomes) ?? []), ...(use === null ? [] : [use])])
  }
  return [...uses]
    .map(([becomes, some]) => (some.length === 0 ? becomes : `as ${some.join(', ')}: ${becomes}`))
    .join('; ')
}

/** How sure some suggestions for one row are, and why; empty: there are none. */
export function reasonText(found: readonly Suggestion[]): string {
  const [first] = found
  if (!first) return ''
  return `${surenessName(Math.min(...found.map(({ sureness }) => sureness)))}: ${REASON_WORDS[first.why]}`
}
