import {
  type Collision,
  type Color,
  type Confirmation,
  collisions,
  contrast,
  countBy,
  type Decision,
  groupBy,
  meetings,
  type OpaqueKey,
  type Outcome,
  opaqueKey,
  paintOf,
  parseColor,
  type Role,
  resolver,
  type ScopePage,
  statesOf,
} from '@undo-ink/core'
import type { PlaceOf, SitePlaces, Taking } from '../work/places.ts'
import type { ThroughPlaces } from './through-places.ts'

/** A text and the ground that it meets, before and after. */
export interface PairChange {
  readonly subject: string
  readonly before: { readonly text: OpaqueKey; readonly ground: OpaqueKey; readonly ratio: number }
  readonly after: { readonly text: string; readonly ground: string; readonly ratio: number }
  /** The selectors of the two: an element must be the subject of both. */
  readonly selectors: readonly (string | null)[]
  /** As received, those of the two that the act changes. */
  readonly takes: readonly OpaqueKey[]
}

/** What could be told apart before and cannot be after. */
export interface Lost extends Omit<Collision<PlaceOf>, 'one' | 'other'> {
  /** As received, those of the two that the act changes. */
  readonly takes: readonly OpaqueKey[]
}

/** The plan that decisions would be added to. */
export interface PlanSoFar {
  readonly decisions: readonly Decision[]
  readonly roles: readonly Role[]
  readonly confirmations: readonly Confirmation[]
}

/** The same, with what is known of the copy beside its places. */
export interface Deciding extends PlanSoFar {
  readonly pages: readonly ScopePage[]
  /** What takes another color, in the order of the files. */
  readonly taking: readonly Taking[]
  /** What variables paint. */
  readonly through: ThroughPlaces
}

/** What can be seen or read no more, told in the same words before every act. */
export interface Judgement {
  /** Of pairs that it changes, the least readable after. */
  readonly worst: PairChange | null
  /** Pairs that could be told apart before and cannot be after. */
  readonly vanishing: readonly PairChange[]
  /** Pairs that could be read well before and cannot be after, though they can be told apart. */
  readonly dimmed: readonly PairChange[]
  /** Lines and states that could be seen before and cannot be after. */
  readonly lost: readonly Lost[]
}

/** What some decisions would take. */
export interface Reached {
  /** Places that it takes wholly; those with a narrower decision of their own are not among them. */
  readonly places: number
  /** Places of which it takes a part, by a rule of its own. */
  readonly inPart: number
  /** Places that are only possibly colors and not confirmed: it does not take them. */
  readonly possible: number
  readonly subjects: number
  readonly files: readonly (readonly [string, number])[]
  /** Pages that load any of it. */
  readonly pages: number
  readonly inStates: number
  /** Places that take the color of the variables among them. */
  readonly throughVariables: number
}

export interface Consequence extends Judgement, Reached {}

/** Below this ratio nobody reads a text (common practice, no source), and from this on it can be read well (WCAG 2.2, 1.4.3). */
const VANISHED = 1.5
const READABLE = 4.5

/** What some decisions would do together, before they are made; of what they take in part, there where it holds. */
export function consequenceOf(trials: readonly Decision[], all: SitePlaces, deciding: Deciding): Consequence {
  const { taking, through } = deciding
  const { taken, now, then, ...reached } = tryOut(trials, all, deciding)
  return { ...reached, ...judge(taken, all, { now, then, taking, through }) }
}

/** What some decisions would take, where nothing is to be judged. */
export function reachedBy(trials: readonly Decision[], all: SitePlaces, deciding: Deciding): Consequence {
  const { taken, now, then, ...reached } = tryOut(trials, all, deciding)
  return { ...reached, worst: null, vanishing: [], dimmed: [], lost: [] }
}

function tryOut(
  trials: readonly Decision[],
  all: SitePlaces,
  { decisions, roles, pages, confirmations, through }: Deciding,
): Reached & Pick<Change, 'now' | 'then'> & { readonly taken: readonly PlaceOf[] } {
  const ids = new Set(trials.map(({ id }) => id))
  const after = resolver([...decisions.filter(({ id }) => !ids.has(id)), ...trials], roles, pages, confirmations)
  const pieceOf = (place: PlaceOf) => after.pieces(place).find(({ outcome }) => ids.has(outcome.decision.id))
  const then = (place: PlaceOf): Outcome => pieceOf(place)?.outcome ?? after.outcome(place)
  const isTaken = (outcome: Outcome) => 'decision' in outcome && ids.has(outcome.decision.id)
  const candidates = all.some(all.ofColors([...new Set(trials.flatMap(({ target }) => target.colors))]))
  const taken = candidates.filter((place) => isTaken(then(place)))
  const { outcome: now } = resolver(decisions, roles, pages, confirmations)
  const painted = taken.flatMap((place) => through.of(place))
  const paths = new Set([...taken, ...painted].map(({ path }) => path))
  return {
    places: taken.filter((place) => isTaken(after.outcome(place))).length,
    inPart: taken.filter((place) => !isTaken(after.outcome(place))).length,
    possible: candidates.filter((place) => now(place).kind === 'possible').length,
    subjects: new Set(painted.flatMap((place) => place.subjects)).size,
    files: [...countBy(taken, ({ path }) => path)].toSorted((a, b) => b[1] - a[1]),
    pages: pages.filter((page) => page.files.some((path) => paths.has(path))).length,
    inStates: painted.filter(({ signals }) => statesOf(signals).length > 0).length,
    throughVariables: painted.length - taken.filter(({ variable }) => variable === null).length,
    taken,
    now,
    then,
  }
}

/** What other roles would do. */
export interface RolesConsequence extends Judgement {
  /** Places that would be painted otherwise. */
  readonly places: number
}

/** What other values of the roles would do to the places that take them. */
export function consequenceOfRoles(
  next: readonly Role[],
  all: SitePlaces,
  { decisions, roles, pages, confirmations, taking, through }: Deciding,
): RolesConsequence {
  const { outcome: now } = resolver(decisions, roles, pages, confirmations)
  const { outcome: then } = resolver(decisions, next, pages, confirmations)
  const decided = all.some(all.ofColors([...new Set(decisions.flatMap(({ target }) => target.colors))]))
  const changed = decided.filter((place) => painted(place, now) !== painted(place, then))
  return { places: changed.length, ...judge(changed, all, { now, then, taking, through }) }
}

/** What becomes of places now and then. */
interface Change {
  now(place: PlaceOf): Outcome
  then(place: PlaceOf): Outcome
  readonly taking: readonly Taking[]
  readonly through: ThroughPlaces
}

/** What would be seen or read no more when some places change. */
export function judge(changed: readonly PlaceOf[], all: SitePlaces, change: Change): Judgement {
  const { taking, through } = change
  // What stands for a variable's place becomes what that becomes.
  const now = (place: PlaceOf) => change.now(through.originOf(place))
  const then = (place: PlaceOf) => change.then(through.originOf(place))
  const touched = new Set(changed.map(({ index }) => index))
  const painted = changed.flatMap((place) => through.of(place))
  const subjects = new Set(painted.flatMap((place) => place.subjects))
  const paths = new Set(painted.map(({ path }) => path))
  // Only what shares a subject with what is touched can meet it.
  const kin = all.kinOf(subjects)
  const takingOf = groupBy(
    taking.filter((place) => paths.has(place.path) && place.subjects.some((subject) => kin.has(subject))),
    ({ path }) => path,
  )
  const throughOf = groupBy(through.ofSubjects(kin, paths), ({ path }) => path)
  const literals = all.around(painted, kin)
  const around = [...paths].map((path) => {
    const places = [...(literals.get(path) ?? []), ...(throughOf.get(path) ?? [])].toSorted(byPosition)
    return { places, met: meetings(places, takingOf.get(path) ?? []) }
  })
  const takenOf = (...some: readonly PlaceOf[]) =>
    some.filter(({ index }) => touched.has(index)).map(({ color }) => color)
  const pairs = around
    .flatMap(({ met }) =>
      met.flatMap(({ text, ground }): JudgedPair[] => {
        const takes = text && ground ? takenOf(text, ground) : []
        return text && ground && takes.length > 0 ? [{ ...pairOf(text, ground, now, then), takes }] : []
      }),
    )
    .toSorted((a, b) => a.after.ratio - b.after.ratio)
  return {
    worst: pairs[0] ?? null,
    vanishing: pairs.filter(({ after, now }) => after.ratio < VANISHED && now >= VANISHED),
    dimmed: pairs.filter(
      ({ after, now, isInactive }) =>
        !isInactive && after.ratio >= VANISHED && after.ratio < READABLE && now >= READABLE,
    ),
    lost: around
      .flatMap(({ places, met }) =>
        collisions(
          places,
          met,
          (place) => colorOf(place, now),
          (place) => colorOf(place, then),
        ),
      )
      .map(({ one, other, ...collision }) => ({ ...collision, takes: takenOf(one, other) }))
      .filter(({ takes }) => takes.length > 0),
  }
}

interface JudgedPair extends PairChange {
  /** The ratio that it has now, with all that is decided. */
  readonly now: number
  /** Text of what is switched off: it need not be readable (WCAG 2.2, 1.4.3, incidental), only seen. */
  readonly isInactive: boolean
}

/** A text and the ground that it meets, as received, now and then. */
function pairOf(
  text: PlaceOf,
  ground: PlaceOf,
  now: (place: PlaceOf) => Outcome,
  then: (place: PlaceOf) => Outcome,
): Omit<JudgedPair, 'takes'> {
  const after = { text: painted(text, then), ground: painted(ground, then) }
  return {
    subject: [...new Set([text.selector, ground.selector])].join(' with '),
    selectors: [text.selector, ground.selector],
    before: { text: text.color, ground: ground.color, ratio: ratio(text.color, ground.color) },
    after: { ...after, ratio: ratio(after.text, after.ground) },
    now: ratio(painted(text, now), painted(ground, now)),
    isInactive: [text, ground].some(({ signals }) => statesOf(signals).includes('disabled')),
  }
}

function byPosition(a: PlaceOf, b: PlaceOf): number {
  return a.range.start - b.range.start
}

/** What a place would be painted with. */
function colorOf(place: PlaceOf, outcome: (place: PlaceOf) => Outcome): Color {
  return paintOf(outcome(place)) ?? parseColor(place.color) ?? { r: 0, g: 0, b: 0, alpha: 1 }
}

function painted(place: PlaceOf, outcome: (place: PlaceOf) => Outcome): string {
  return opaqueKey(colorOf(place, outcome))
}

function ratio(text: string, ground: string): number {
  const [a, b] = [parseColor(text), parseColor(ground)]
  return a && b ? contrast(a, b) : 1
}
