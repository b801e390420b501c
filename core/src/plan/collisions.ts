import type { Color } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { type State, statesOf } from '../selector/state.ts'
import type { Occurrence } from '../source/occurrence.ts'
import type { Meeting } from './meetings.ts'
import { selectorsOf } from './selectors-of.ts'

/** What is no longer seen: a line in its ground, or a state that looks like rest. Text in its ground is told by its contrast. */
export type CollisionKind = 'line-in-ground' | 'state-like-rest'

/** Two places of one subject whose colors differed and do not any more. */
export interface Collision<O extends Occurrence> {
  readonly kind: CollisionKind
  readonly subject: string
  /** Of the second; null: it is at rest. */
  readonly state: State | null
  readonly one: O
  readonly other: O
}

/** ΔE00 up to which two colors are one on a page, and from which an eye surely tells them apart. */
const SAME = 1
const APART = 2

/**
 * Lines that would have the color of the ground that they meet, and states that would look as rest does, where neither was so before. Of each subject and property
 * the last declaration counts; see-through colors and gradients collide with nothing. Linear in the occurrences.
 * @param occurrences those of one file, in its order
 * @param met what meets of them
 */
export function collisions<O extends Occurrence>(
  occurrences: readonly O[],
  met: readonly Meeting<O>[],
  before: (place: O) => Color,
  after: (place: O) => Color,
): Collision<O>[] {
  const solid = occurrences.filter(
    ({ alpha, functions, selector }) => alpha === 1 && functions.length === 0 && selector !== null,
  )
  const bySubject = new Map<string, { rest: O | null; states: Map<State, O> }>()
  for (const place of solid) {
    // The selectors of a list ask for states of their own.
    for (const { subject, signals } of selectorsOf(place)) {
      const states = statesOf(signals)
      const key = JSON.stringify([subject, place.property, place.atRules])
      const known = bySubject.get(key) ?? { rest: null, states: new Map<State, O>() }
      bySubject.set(key, known)
      if (states.length === 0) known.rest = place
      for (const state of states) known.states.set(state, place)
    }
  }
  const collide = (one: O, other: O) =>
    apart(before(one), before(other)) >= APART && apart(after(one), after(other)) < SAME
  const lines = met.flatMap(({ line, ground }): Collision<O>[] =>
    line && ground && collide(ground, line)
      ? [{ kind: 'line-in-ground', subject: line.selector ?? '', state: null, one: ground, other: line }]
      : [],
  )
  const states = [...bySubject].flatMap(([key, { rest, states }]) =>
    [...states].flatMap(([state, place]): Collision<O>[] =>
      rest && collide(rest, place)
        ? [{ kind: 'state-like-rest', subject: JSON.parse(key)[0], state, one: rest, other: place }]
        : [],
    ),
  )
  return [...lines, ...states]
}

function apart(a: Color, b: Color): number {
  return deltaE2000(labOf(a), labOf(b))
}
