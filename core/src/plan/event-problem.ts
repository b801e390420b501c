import { parseLiteral } from '../color/literal.ts'
import { type Role, readRoleColor } from '../palette/role.ts'
import type { Range } from '../text/range.ts'
import { type Correction, overlap, REMEDY_PROPERTIES } from './correction.ts'
import type { Decision, Ground } from './decision.ts'
import type { PlanEvent, PlanState } from './history.ts'
import { takesRules } from './insertion.ts'

/** What is asked of a copy and its palette before an event is added to a plan. */
export interface EventFacts {
  /** Of the version of the palette that the plan is on. */
  readonly roles: readonly Role[]
  readonly paletteVersions: readonly number[]
  hasFile(path: string): boolean
  /** The text of a file that is read, and where in it colors stand; null: there is none. Asked of slips that are put right. */
  textOf(path: string): { readonly text: string; readonly places: readonly Range[] } | null
}

export type EventProblemCode =
  | 'nothing-to-undo'
  | 'nothing-to-redo'
  | 'decision-exists'
  | 'decision-unknown'
  | 'corrected-already'
  | 'not-yet'
  | 'role-unknown'
  | 'color-unreadable'
  | 'palette-version-unknown'
  | 'file-unknown'
  | 'takes-no-rules'
  | 'other-text'
  | 'no-remedy'
  | 'on-a-place'

export interface EventProblem {
  readonly code: EventProblemCode
  /** What it is about: a path, a role, a color; null: the event itself. */
  readonly about: string | null
}

const problem = (code: EventProblemCode, about: string | null = null): EventProblem => ({ code, about })

/** The files that an event names, and those of them whose texts are asked for. */
export function filesNamed(event: PlanEvent): { readonly paths: readonly string[]; readonly texts: readonly string[] } {
  const texts = event.kind === 'correct' ? [...new Set(event.corrections.map(({ path }) => path))] : []
  const scopes = event.kind === 'decide' ? event.decisions.map(({ target }) => target.scope ?? {}) : []
  const inserted = event.kind === 'insert' ? event.insertions.map(({ path }) => path) : []
  const confirmed =
    event.kind === 'confirm' ? event.confirmations.flatMap(({ places }) => places.map(({ path }) => path)) : []
  const limits = scopes.flatMap(({ file, page }) => [file, page].filter((path) => path !== undefined))
  return { paths: [...new Set([...texts, ...inserted, ...confirmed, ...limits])], texts }
}

/** Why an event cannot be added to a plan in this state; null: it can. What it may name is checked here, and nowhere else. */
export function eventProblem(state: PlanState, event: PlanEvent, facts: EventFacts): EventProblem | null {
  const missing = filesNamed(event).paths.find((path) => !facts.hasFile(path))
  if (missing !== undefined) return problem('file-unknown', missing)
  switch (event.kind) {
    case 'undo':
      return state.done.length === 0 ? problem('nothing-to-undo') : null
    case 'redo':
      return state.undone.length === 0 ? problem('nothing-to-redo') : null
    case 'decide':
      // What is to be replaced may have been taken back in between: then there is nothing to replace.
      return known(state, event.decisions) ?? groundProblem(event.decisions.flatMap(groundsOf), facts)
    case 'insert':
      return (
        known(state, event.insertions) ??
        groundProblem(
          event.insertions.map(({ to }) => to),
          facts,
        ) ??
        ruleProblem(event.insertions.map(({ path }) => path))
      )
    case 'confirm':
      return known(state, event.confirmations)
    case 'correct':
      return (
        twice(state.corrections, event.corrections) ??
        known(state, event.corrections) ??
        slipProblem(event.corrections, facts)
      )
    case 'take-back':
      return event.decisions.every((id) => holds(state, id)) ? null : problem('decision-unknown')
    case 'return':
      return event.to <= state.version ? null : problem('not-yet')
    case 'palette':
      return facts.paletteVersions.includes(event.version)
        ? null
        : problem('palette-version-unknown', String(event.version))
    default:
      return null
  }
}

function holds({ decisions, corrections, insertions, confirmations }: PlanState, id: string): boolean {
  return [decisions, corrections, insertions, confirmations].some((list) => list.some((each) => each.id === id))
}

function known(state: PlanState, made: readonly { readonly id: string }[]): EventProblem | null {
  return made.some(({ id }) => holds(state, id)) ? problem('decision-exists') : null
}

function groundsOf({ to, over }: Decision): readonly Ground[] {
  const taken = to.kind === 'role' || to.kind === 'color' ? [to] : to.kind === 'gradient' ? to.stops : []
  return over ? [...taken, over] : taken
}

function groundProblem(grounds: readonly Ground[], { roles }: EventFacts): EventProblem | null {
  for (const ground of grounds) {
    if ('role' in ground) {
      if (!roles.some(({ id }) => id === ground.role)) return problem('role-unknown', ground.role)
    } else if (typeof readRoleColor(ground.color) === 'string') return problem('color-unreadable', ground.color)
  }
  return null
}

function ruleProblem(paths: readonly string[]): EventProblem | null {
  const other = paths.find((path) => !takesRules(path))
  return other === undefined ? null : problem('takes-no-rules', other)
}

function twice(held: readonly Correction[], made: readonly Correction[]): EventProblem | null {
  const after = [...held, ...made]
  const isTwice = made.some((one) => after.some((other) => one !== other && overlap(one, other)))
  return isTwice ? problem('corrected-already') : null
}

/** Why corrections cannot be added: the text at their range must be the slip, must hold no place (places have decisions), and what replaces it must be a color or the name of a property. */
function slipProblem(corrections: readonly Correction[], facts: EventFacts): EventProblem | null {
  for (const { path, range, raw, replacement } of corrections) {
    const file = facts.textOf(path)
    if (!file) return problem('file-unknown', path)
    if (raw === '' || file.text.slice(range.start, range.end) !== raw) return problem('other-text', path)
    if (!parseLiteral(replacement) && !REMEDY_PROPERTIES.has(replacement)) return problem('no-remedy', replacement)
    if (file.places.some((place) => place.start < range.end && range.start < place.end))
      return problem('on-a-place', path)
  }
  return null
}
