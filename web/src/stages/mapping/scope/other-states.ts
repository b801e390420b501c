import {
  type Decision,
  type OpaqueKey,
  parseSelectorList,
  readSelectors,
  type Scope,
  statesOf,
  type Target,
} from '@undo-ink/core'
import type { PlaceOf, SitePlaces } from '../../../work/places.ts'
import type { Limits } from './scope-options.ts'

/** Another state of something that is decided, in another color: `.key:hover` beside `.key`. */
export interface OtherState {
  /** Of its list, the one that finds the same thing. */
  readonly selector: string
  readonly property: string
  readonly color: OpaqueKey
  readonly use: PlaceOf['use']
  readonly places: number
}

/** More are not offered: nobody would look through them. */
const MOST = 12

/** The states in which what is decided has another color than those that are decided, most places first. */
export function otherStates(decided: readonly PlaceOf[], colors: readonly OpaqueKey[], all: SitePlaces): OtherState[] {
  const things = new Map<string, Set<string>>()
  for (const { subjects, property, signals } of decided)
    for (const subject of subjects) {
      const key = `${subject} ${property}`
      things.set(key, (things.get(key) ?? new Set()).add(statesOf(signals).join(' ')))
    }
  const subjects = new Set(decided.flatMap((place) => place.subjects))
  const around = [...all.ofSubjects(new Set(decided.map(({ path }) => path)), subjects).values()].flat()
  const found = new Map<string, OtherState>()
  for (const { selector, property, color, use, subjects, variable } of around) {
    if (selector === null || variable !== null || colors.includes(color)) continue
    const known = subjects.some((subject) => things.has(`${subject} ${property}`))
    if (!known) continue
    const texts = parseSelectorList(selector) ?? []
    for (const [at, { subject, signals }] of (readSelectors(selector) ?? []).entries()) {
      const decidedIn = things.get(`${subject} ${property}`)
      if (!decidedIn || decidedIn.has(statesOf(signals).join(' '))) continue
      const text = texts[at]?.text ?? ''
      const key = JSON.stringify([text, property, color])
      found.set(key, { selector: text, property, color, use, places: (found.get(key)?.places ?? 0) + 1 })
    }
  }
  return [...found.values()].toSorted((a, b) => b.places - a.places).slice(0, MOST)
}

/** What takes one of them, within the same limits. */
function targetOf({ selector, color, use }: OtherState, limits: Limits): Target {
  const { region, page, width, heading, file } = limits
  const around = Object.entries({ region, page, width, heading, file }).filter(([, value]) => value !== undefined)
  return { colors: [color], use, scope: { ...(Object.fromEntries(around) as Scope), selector } }
}

/** The decisions for those that are given a role. @param chosen ids of roles by the keys of states */
export function stateDecisions(
  states: readonly OtherState[],
  chosen: ReadonlyMap<string, string>,
  limits: Limits,
): Omit<Decision, 'id'>[] {
  return states.flatMap((state) => {
    const role = chosen.get(keyOf(state))
    return role === undefined ? [] : [{ target: targetOf(state, limits), to: { kind: 'role', role } }]
  })
}

/** What tells one from the others. */
export function keyOf({ selector, property, color }: OtherState): string {
  return JSON.stringify([selector, property, color])
}
