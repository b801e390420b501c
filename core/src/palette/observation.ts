import type { Occurrence, Use } from '../source/occurrence.ts'

/** What a subject is to a visitor, by its tag and its class names. */
export const SUBJECT_KINDS = ['page', 'control', 'link', 'heading', 'other'] as const
export type SubjectKind = (typeof SUBJECT_KINDS)[number]

/** What something is called that says what its color is for. */
export const NAMED = ['brand', 'accent', 'success', 'warning', 'error', 'muted', 'line'] as const
export type Named = (typeof NAMED)[number]

/** What one use of a color is on a site. */
export interface UseObservation {
  readonly places: number
  /** Places in a state other than rest. */
  readonly inStates: number
  readonly subjects: Readonly<Record<SubjectKind, number>>
  readonly names: Readonly<Record<Named, number>>
}

/** What a cluster of colors is on a site, use by use, most places first. */
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
}

/** What is seen of some places: in which uses, on what, in which states, under which names. */
export function observe(places: readonly Seen[]): Observation {
  const uses = new Map<Use, { places: number; inStates: number; subjects: Counts<SubjectKind>; names: Counts<Named> }>()
  for (const { use, subjects, states, selector, heading, variable } of places) {
    const known = uses.get(use) ?? { places: 0, inStates: 0, subjects: counts(SUBJECT_KINDS), names: counts(NAMED) }
    uses.set(use, known)
    known.places++
    if (states.length > 0) known.inStates++
    known.subjects[kindOf(subjects)]++
    const said = words([variable, selector, heading].filter((each) => each !== null).join(' '))
    for (const name of NAMED) if (NAMED_BY[name].test(said)) known.names[name]++
  }
  return { places: places.length, uses: new Map([...uses].toSorted(([, a], [, b]) => b.places - a.places)) }
}

type Counts<K extends string> = Record<K, number>
const counts = <K extends string>(keys: readonly K[]) => Object.fromEntries(keys.map((key) => [key, 0])) as Counts<K>

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
