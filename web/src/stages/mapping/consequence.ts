import {
  type Becoming,
  type Collision,
  type Color,
  collisions,
  contrast,
  type Decision,
  declaredPairs,
  type OpaqueKey,
  opaqueKey,
  paintOf,
  parseColor,
  type Resolve,
  type Role,
  resolver,
} from '@undo-ink/core'
import { countBy, type PlaceOf, type SitePlaces } from '../../work/places.ts'
import type { Row } from '../../work/standing.ts'
import { decisionOf } from './deciding.ts'

/** One declared pair before and after. */
export interface PairChange {
  readonly subject: string
  readonly before: { readonly text: OpaqueKey; readonly ground: OpaqueKey; readonly ratio: number }
  readonly after: { readonly text: string; readonly ground: string; readonly ratio: number }
}

export interface Consequence {
  /** Places that it takes; those with a narrower decision of their own are not among them. */
  readonly places: number
  readonly subjects: number
  readonly files: readonly (readonly [string, number])[]
  readonly inStates: number
  /** Of pairs that it changes, the least readable after. */
  readonly worst: PairChange | null
  /** Pairs that could be told apart before and cannot be after. */
  readonly vanishing: readonly PairChange[]
  /** Lines and states that could be seen before and cannot be after. */
  readonly lost: readonly Collision<PlaceOf>[]
}

/** Below this ratio nobody reads a text (common practice, no source). */
const VANISHED = 1.5

/** What a decision on a row would do, before it is made. */
export function consequenceOf(
  row: Row,
  to: Becoming,
  all: SitePlaces,
  decisions: readonly Decision[],
  roles: readonly Role[],
): Consequence {
  const trial = decisionOf(row, to, 'trial')
  const resolve = resolver([...decisions, trial], roles)
  const taken = all.some(row.indices).filter((place) => {
    const outcome = resolve(place)
    return outcome.kind !== 'open' && outcome.decision.id === 'trial'
  })
  const now = resolver(decisions, roles)
  const touched = new Set(taken.map(({ index }) => index))
  const subjects = new Set(taken.flatMap((place) => place.subjects))
  const files = [...new Set(taken.map(({ path }) => path))].map((path) => all.some(all.inFile(path)))
  const pairs = files
    .flatMap((places) => declaredPairs(places))
    .filter(({ text, ground }) => touched.has(text.index) || touched.has(ground.index))
    .map(({ text, ground }): PairChange & { readonly now: number } => ({
      subject: text.selector ?? '',
      before: { text: text.color, ground: ground.color, ratio: ratio(text.color, ground.color) },
      after: {
        text: painted(text, resolve),
        ground: painted(ground, resolve),
        ratio: ratio(painted(text, resolve), painted(ground, resolve)),
      },
      now: ratio(painted(text, now), painted(ground, now)),
    }))
  return {
    places: taken.length,
    subjects: subjects.size,
    files: [...countBy(taken, ({ path }) => path)].toSorted((a, b) => b[1] - a[1]),
    inStates: taken.filter(({ states }) => states.length > 0).length,
    worst: pairs.reduce<PairChange | null>(
      (worst, pair) => (worst && worst.after.ratio <= pair.after.ratio ? worst : pair),
      null,
    ),
    vanishing: pairs.filter(({ after, now }) => after.ratio < VANISHED && now >= VANISHED),
    lost: files
      // Only what shares a subject with what is touched can collide with it.
      .map((places) => places.filter(({ subjects: own }) => own.some((subject) => subjects.has(subject))))
      .flatMap((places) =>
        collisions(
          places,
          (place) => colorOf(place, now),
          (place) => colorOf(place, resolve),
        ),
      )
      .filter(({ one, other }) => touched.has(one.index) || touched.has(other.index)),
  }
}

/** What a place would be painted with. */
function colorOf(place: PlaceOf, resolve: Resolve): Color {
  return paintOf(resolve(place)) ?? parseColor(place.color) ?? { r: 0, g: 0, b: 0, alpha: 1 }
}

function painted(place: PlaceOf, resolve: Resolve): string {
  return opaqueKey(colorOf(place, resolve))
}

function ratio(text: string, ground: string): number {
  const [a, b] = [parseColor(text), parseColor(ground)]
  return a && b ? contrast(a, b) : 1
}
