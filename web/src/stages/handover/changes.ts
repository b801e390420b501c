import {
  type Change,
  type Column,
  changesInPlace,
  type Outcome,
  opaqueKey,
  type Resolve,
  type Role,
} from '@undo-ink/core'
import { groupBy, type PlaceOf, type SitePlaces } from '../../work/places.ts'

/** One change with the role that it follows from. */
export interface RoleChange extends Change<PlaceOf> {
  readonly role: Role
  /** The new color's opaque key. */
  readonly color: string
}

/** All changes of the plan, by file and position. */
export function changesOf(places: SitePlaces, outcomes: Column<Outcome>, resolve: Resolve): RoleChange[] {
  const taking = Array.from(outcomes.codes.keys()).filter(
    (index) => outcomes.values[outcomes.codes[index] as number]?.kind === 'role',
  )
  return changesInPlace(places.some(taking), resolve).flatMap((change) => {
    const outcome = resolve(change.occurrence)
    return outcome.kind === 'role' ? [{ ...change, role: outcome.role, color: opaqueKey(outcome.color) }] : []
  })
}

/** Changes that one list entry stands for. */
export interface ChangeGroup {
  readonly key: string
  readonly changes: readonly RoleChange[]
}

/** One group for each old color and role that a decision brings together, most changes first. */
export function byDecision(changes: readonly RoleChange[]): ChangeGroup[] {
  return groups(changes, ({ decisions }) => decisions.join(' ')).toSorted((a, b) => b.changes.length - a.changes.length)
}

export function byFile(changes: readonly RoleChange[]): ChangeGroup[] {
  return groups(changes, ({ occurrence }) => occurrence.path)
}

function groups(changes: readonly RoleChange[], key: (change: RoleChange) => string): ChangeGroup[] {
  return [...groupBy(changes, key)].map(([key, changes]) => ({ key, changes }))
}
