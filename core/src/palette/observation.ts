import { countBy } from '../collect.ts'
import type { OpaqueKey } from '../color/color.ts'
import { type Ledger, listAt, valueAt } from '../ledger/ledger.ts'
import { statesOf } from '../selector/state.ts'
import type { Occurrence, Use } from '../source/occurrence.ts'
import { calledFor } from './called.ts'
import type { Job } from './jobs.ts'

/** What a subject is to a visitor, by its tag and its class names. */
export const SUBJECT_KINDS = ['page', 'control', 'link', 'heading', 'other'] as const
export type SubjectKind = (typeof SUBJECT_KINDS)[number]

/** What something is called that says what its color is for. */
export const NAMED = ['brand', 'accent', 'success', 'warning', 'error', 'info', 'company'] as const
export type Named = (typeof NAMED)[number]

/** What one use of a color is on a site. */
export interface UseObservation {
  readonly places: number
  /** Places in a state other than rest. */
  readonly inStates: number
  readonly subjects: Readonly<Record<SubjectKind, number>>
  readonly names: Readonly<Record<Named, number>>
  /** How many of the places are variables that are called for a job, and for a lighter, a darker or another one of it. */
  readonly called: ReadonlyMap<Job, CalledCount>
}

/** What a color, or a cluster of them, is on a site, use by use, most places first, then by the use's name. */
export interface Observation {
  readonly places: number
  readonly uses: ReadonlyMap<Use, UseObservation>
  /** What the variables among its places paint, each place that takes their value counted. */
  readonly through: ReadonlyMap<Use, UseObservation>
}

export interface CalledCount {
  readonly itself: number
  readonly shades: number
}

type Painting = Pick<Occurrence, 'use' | 'subjects' | 'signals' | 'selector'>
export type ObservedPlace = Painting & Pick<Occurrence, 'heading' | 'variable'>
/** The places that take a variable's value in the end. */
export type Paintings = (variable: string) => readonly Painting[]

/** Common practice, no source: what authors call things. */
const NAMED_BY: Readonly<Record<Named, RegExp>> = {
  brand: /\b(?:brand|primary|main|corporate)\b/,
  accent: /\b(?:accent|highlight|secondary|cta)\b/,
  success: /\b(?:success|ok|valid|positive|on time|confirmed|done)\b/,
  warning: /\b(?:warn|warning|caution|attention)\b/,
  error: /\b(?:error|danger|invalid|negative|cancelled)\b/,
  info: /\b(?:info|information|notice)\b/,
  // Other companies, whose colors are theirs.
  company:
    /\b(?:facebook|fb|twitter|instagram|linkedin|youtube|pinterest|whatsapp|github|gitlab|google|paypal|visa|mastercard|amex|tiktok|snapchat|reddit|tumblr|vimeo|dribbble|behance|skype|slack|spotify|telegram|discord|mastodon|bluesky|flickr|medium com|apple pay|stripe|twitch|xing|vk|weibo|wechat|yelp|soundcloud|stack overflow|bitbucket|dropbox)\b/,
}

/** What is seen of some places: in which uses, on what, in which states, under which names. */
export function observe(places: readonly ObservedPlace[], paintings: Paintings): Observation {
  const tallies = newTallies()
  const endsOf = endsSeen(paintings)
  for (const place of places) add(tallies, place, endsOf)
  return observed(tallies)
}

/** What is seen of each color of a ledger. Linear in the places, and in those of their variables. */
export function observeColors(ledger: Ledger, paintings: Paintings): Map<OpaqueKey, Observation> {
  const { color } = ledger.columns
  const tallies = color.values.map(newTallies)
  const endsOf = endsSeen(paintings)
  const { confidence } = ledger.columns
  const possible = confidence.values.indexOf('possible')
  for (let at = 0; at < ledger.length; at++) {
    // What is only possibly a color says nothing of one.
    if (confidence.codes[at] === possible) continue
    const place: ObservedPlace = {
      use: valueAt(ledger, 'use', at),
      subjects: listAt(ledger, 'subjects', at),
      signals: listAt(ledger, 'signals', at),
      selector: valueAt(ledger, 'selector', at),
      heading: valueAt(ledger, 'heading', at),
      variable: valueAt(ledger, 'variable', at),
    }
    add(tallies[color.codes[at] as number] as Tallies, place, endsOf)
  }
  return new Map(color.values.map((key, code) => [key, observed(tallies[code] as Tallies)]))
}

/** Adds up observations of disjoint parts of the places. */
export function together(parts: readonly Observation[]): Observation {
  if (parts.length === 1 && parts[0]) return parts[0]
  const tallies = newTallies()
  for (const { uses, through } of parts) {
    join(tallies.uses, uses)
    join(tallies.through, through)
  }
  return observed(tallies)
}

/** The counts of one use while they grow. */
interface Tally {
  places: number
  inStates: number
  readonly subjects: Record<SubjectKind, number>
  readonly names: Record<Named, number>
  readonly called: Map<Job, CalledCount>
}
type ByUse = Map<Use, Tally>

interface Tallies {
  readonly uses: ByUse
  readonly through: ByUse
}

const newTallies = (): Tallies => ({ uses: new Map(), through: new Map() })

function tallyOf(tallies: ByUse, use: Use): Tally {
  let known = tallies.get(use)
  if (!known) {
    known = { places: 0, inStates: 0, subjects: counts(SUBJECT_KINDS), names: counts(NAMED), called: new Map() }
    tallies.set(use, known)
  }
  return known
}

/** What is seen of all that takes a variable. */
interface EndsSeen {
  readonly through: ByUse
  /** What most of it is to a visitor; null: nothing takes it. */
  readonly kind: SubjectKind | null
}

/** Makes the function that sums up what takes a variable; remembered by variable, since one may be set in many places. */
function endsSeen(paintings: Paintings): (variable: string) => EndsSeen {
  const known = new Map<string, EndsSeen>()
  return (variable) => {
    const before = known.get(variable)
    if (before) return before
    const ends = paintings(variable)
    const through: ByUse = new Map()
    for (const end of ends) {
      const tally = tallyOf(through, end.use)
      addTo(tally, end, kindOf(end.subjects))
      name(tally, namedIn(end.selector ?? ''))
    }
    const seen = { through, kind: mostOften(ends.map(({ subjects }) => kindOf(subjects))) }
    known.set(variable, seen)
    return seen
  }
}

function add(tallies: Tallies, place: ObservedPlace, endsOf: (variable: string) => EndsSeen): void {
  const { variable, selector, heading } = place
  const ends = variable === null ? null : endsOf(variable)
  const tally = tallyOf(tallies.uses, place.use)
  // What a variable paints says more of it than the root that it is set on.
  addTo(tally, place, ends?.kind ?? kindOf(place.subjects))
  const own = namedIn([variable, selector].filter((each) => each !== null).join(' '))
  // A heading speaks where the names below it say nothing: a success box under "Errors" is no error.
  name(tally, own.length > 0 || heading === null ? own : namedIn(heading))
  // What a component sets for itself is called after its parts.
  const isOfSite = selector === null || place.subjects.every((subject) => kindOf([subject]) === 'page')
  const called = variable !== null && isOfSite ? calledFor(variable) : null
  if (called) call(tally, called.job, called.isShade ? { itself: 0, shades: 1 } : { itself: 1, shades: 0 })
  if (ends) join(tallies.through, ends.through)
}

function addTo(tally: Tally, { signals }: Painting, kind: SubjectKind): void {
  tally.places++
  if (statesOf(signals).length > 0) tally.inStates++
  tally.subjects[kind]++
}

function name(tally: Tally, said: readonly Named[]): void {
  for (const each of said) tally.names[each]++
}

function call({ called }: Tally, job: Job, { itself, shades }: CalledCount): void {
  const known = called.get(job) ?? { itself: 0, shades: 0 }
  called.set(job, { itself: known.itself + itself, shades: known.shades + shades })
}

/** The first of those that stand most often; null: there are none. */
function mostOften<T>(some: readonly T[]): T | null {
  return [...countBy(some, (each) => each)].toSorted(([, a], [, b]) => b - a)[0]?.[0] ?? null
}

function namedIn(text: string): Named[] {
  const said = words(text)
  return NAMED.filter((name) => NAMED_BY[name].test(said))
}

function join(tallies: ByUse, uses: ReadonlyMap<Use, UseObservation>): void {
  for (const [use, seen] of uses) {
    const all = tallyOf(tallies, use)
    all.places += seen.places
    all.inStates += seen.inStates
    for (const kind of SUBJECT_KINDS) all.subjects[kind] += seen.subjects[kind]
    for (const name of NAMED) all.names[name] += seen.names[name]
    for (const [job, count] of seen.called) call(all, job, count)
  }
}

function observed({ uses, through }: Tallies): Observation {
  const inOrder = mostFirst(uses)
  const places = inOrder.reduce((sum, [, tally]) => sum + tally.places, 0)
  return { places, uses: new Map(inOrder), through: new Map(mostFirst(through)) }
}

function mostFirst(tallies: ByUse): [Use, Tally][] {
  return [...tallies].toSorted(([a, m], [b, n]) => n.places - m.places || (a < b ? -1 : 1))
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
