import type { OpaqueKey } from '../color/color.ts'
import { type Ledger, valueAt } from '../ledger/ledger.ts'
import type { Occurrence, Use } from '../source/occurrence.ts'

/** What a subject is to a visitor, by its tag and its class names. */
export const SUBJECT_KINDS = ['page', 'control', 'link', 'heading', 'other'] as const
export type SubjectKind = (typeof SUBJECT_KINDS)[number]

/** What something is called that says what its color is for. */
export const NAMED = ['brand', 'accent', 'success', 'warning', 'error', 'muted', 'line', 'company'] as const
export type Named = (typeof NAMED)[number]

/** What one use of a color is on a site. */
export interface UseObservation {
  readonly places: number
  /** Places in a state other than rest. */
  readonly inStates: number
  readonly subjects: Readonly<Record<SubjectKind, number>>
  readonly names: Readonly<Record<Named, number>>
}

/** What a color, or a cluster of them, is on a site, use by use, most places first, then by the use's name. */
export interface Observation {
  readonly places: number
  readonly uses: ReadonlyMap<Use, UseObservation>
}

export type Seen = Pick<Occurrence, 'use' | 'subjects' | 'states' | 'selector' | 'heading' | 'variable'>

/** Common practice, no source: what authors call things. */
const NAMED_BY: Readonly<Record<Named, RegExp>> = {
  brand: /\b(?:brand|primary|main|corporate)\b/,
  accent: /\b(?:accent|highlight|secondary|cta)\b/,
  success: /\b(?:success|ok|valid|positive|on time|confirmed|done)\b/,
  warning: /\b(?:warn|warning|caution|attention)\b/,
  error: /\b(?:error|danger|invalid|negative|alert|cancelled)\b/,
  muted: /\b(?:muted|soft|subtle|meta|caption|small|hint|secondary text|grey|gray)\b/,
  line: /\b(?:border|line|rule|divider|separator|outline)\b/,
  // Other companies, whose colors are theirs.
  company:
    /\b(?:facebook|fb|twitter|instagram|linkedin|youtube|pinterest|whatsapp|github|gitlab|google|paypal|visa|mastercard|amex|tiktok|snapchat|reddit|tumblr|vimeo|dribbble|behance|skype|slack|spotify|telegram|discord|mastodon|bluesky|flickr|medium com|apple pay|stripe|twitch|xing|vk|weibo|wechat|yelp|soundcloud|stack overflow|bitbucket|dropbox)\b/,
}

/** What is seen of some places: in which uses, on what, in which states, under which names. */
export function observe(places: readonly Seen[]): Observation {
  const tallies: Tallies = new Map()
  for (const place of places) add(tallies, place)
  return observed(tallies)
}

/** What is seen of each color of a ledger. Linear in the places. */
export function observeColors(ledger: Ledger): Map<OpaqueKey, Observation> {
  const { color } = ledger.columns
  const tallies = color.values.map((): Tallies => new Map())
  const { confidence } = ledger.columns
  const possible = confidence.values.indexOf('possible')
  for (let at = 0; at < ledger.length; at++) {
    // What is only possibly a color says nothing of one.
    if (confidence.codes[at] === possible) continue
    add(tallies[color.codes[at] as number] as Tallies, {
      use: valueAt(ledger, 'use', at),
      subjects: valueAt(ledger, 'subjects', at),
      states: valueAt(ledger, 'states', at),
      selector: valueAt(ledger, 'selector', at),
      heading: valueAt(ledger, 'heading', at),
      variable: valueAt(ledger, 'variable', at),
    })
  }
  return new Map(color.values.map((key, code) => [key, observed(tallies[code] as Tallies)]))
}

/** What is seen of all places of which parts were observed, each in one of them. */
export function together(parts: readonly Observation[]): Observation {
  if (parts.length === 1 && parts[0]) return parts[0]
  const tallies: Tallies = new Map()
  for (const { uses } of parts)
    for (const [use, seen] of uses) {
      const all = tallyOf(tallies, use)
      all.places += seen.places
      all.inStates += seen.inStates
      for (const kind of SUBJECT_KINDS) all.subjects[kind] += seen.subjects[kind]
      for (const name of NAMED) all.names[name] += seen.names[name]
    }
  return observed(tallies)
}

/** The counts of one use while they grow. */
interface Tally {
  places: number
  inStates: number
  readonly subjects: Record<SubjectKind, number>
  readonly names: Record<Named, number>
}
type Tallies = Map<Use, Tally>

function tallyOf(tallies: Tallies, use: Use): Tally {
  const known = tallies.get(use) ?? { places: 0, inStates: 0, subjects: counts(SUBJECT_KINDS), names: counts(NAMED) }
  tallies.set(use, known)
  return known
}

function add(tallies: Tallies, { use, subjects, states, selector, heading, variable }: Seen): void {
  const tally = tallyOf(tallies, use)
  tally.places++
  if (states.length > 0) tally.inStates++
  tally.subjects[kindOf(subjects)]++
  const said = words([variable, selector, heading].filter((each) => each !== null).join(' '))
  for (const name of NAMED) if (NAMED_BY[name].test(said)) tally.names[name]++
}

function observed(tallies: Tallies): Observation {
  const uses = [...tallies].toSorted(([a, m], [b, n]) => n.places - m.places || (a < b ? -1 : 1))
  return { places: uses.reduce((sum, [, { places }]) => sum + places, 0), uses: new Map(uses) }
}

const counts = <K extends string>(keys: readonly K[]) =>
  Object.fromEntries(keys.map((key) => [key, 0])) as Record<K, number>

/** `.siteHeader--isStuck` as words. */
function words(text: string): string {
  return text
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/[^A-Za-z]+/g, ' ')
    .toLowerCase()
}

/** Common practice, no source: what the last part of a subject is called. */
const KINDS: readonly (readonly [SubjectKind, RegExp])[] = [
  ['page', /^(?:html|body|:root|main|#?\.?(?:page|wrapper|container|content))$/],
  ['control', /^(?:button|input|select|textarea)\b|(?:^|[.#\-_])(?:btn|button|cta|book|submit)\b/],
  ['heading', /^h[1-6]\b|(?:^|[.#\-_])(?:title|heading|headline)\b/],
  ['link', /^a\b/],
]

function kindOf(subjects: readonly string[]): SubjectKind {
  for (const subject of subjects) {
    const last =
      subject
        .split(/[\s>+~]+/)
        .at(-1)
        ?.toLowerCase() ?? ''
    const kind = KINDS.find(([, pattern]) => pattern.test(last))?.[0]
    if (kind) return kind
  }
  return 'other'
}
