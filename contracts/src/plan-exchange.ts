import {
  type Becoming,
  type Decision,
  type Ground,
  opaqueKey,
  type PlanState,
  parseColor,
  type Role,
  readRoleColor,
  sameRoleName,
} from '@undo-ink/core'
import type { PlanDocument } from './plan-document.ts'

/** What is wrong in a document that its schema lets pass. */
export interface DocumentProblem {
  /** `decisions.3` */
  readonly at: string
  readonly message: string
}

type Entry = PlanDocument['decisions'][number]

/** A decision of a document without an id, its role as the name that stands there. */
export type Read = { readonly decision: Omit<Decision, 'id'> } | { readonly problem: DocumentProblem }

/** The roles of a document; their names are their ids. */
export function rolesIn(palette: PlanDocument['palette']): Role[] | DocumentProblem {
  for (const [index, { role, color }] of palette.entries()) {
    const at = `palette.${index}`
    const read = readRoleColor(color)
    if (read === 'not-a-color') return { at, message: `${color} is not a color` }
    if (read === 'not-opaque') return { at, message: `${color} is see-through; a role is opaque` }
    if (palette.slice(0, index).some((other) => sameRoleName(other.role, role)))
      return { at, message: `there is a role ${role} already` }
  }
  return palette.map(({ role, color }) => ({ id: role, name: role, color }))
}

/** Reads one decision of a document against some roles, which it names. @param index its place in the document */
export function readDecision(entry: Entry, index: number, roles: readonly Role[]): Read {
  const at = `decisions.${index}`
  const roleOf = (name: string) => {
    const role = roles.find((each) => sameRoleName(each.name, name))
    if (!role) throw new Unreadable(`the palette has no role ${name}`)
    return role.id
  }
  const opaque = (color: string) => {
    const read = readRoleColor(color)
    if (read === 'not-a-color') throw new Unreadable(`${color} is not a color`)
    if (read === 'not-opaque') throw new Unreadable(`${color} is see-through; a color that is taken is opaque`)
    return color
  }
  const groundOf = (over: Ground): Ground =>
    'role' in over ? { role: roleOf(over.role) } : { color: opaque(over.color) }
  try {
    const { target, to, alpha, over } = entry
    const becomes = becomingOf(to, roleOf, opaque)
    return {
      decision: {
        target: { ...target, colors: target.colors.map(keyOf) },
        to: becomes,
        ...(alpha === undefined ? {} : { alpha }),
        ...(over === undefined ? {} : { over: groundOf(over) }),
      },
    }
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error
    return { problem: { at, message: error.message } }
  }
}

class Unreadable extends Error {
  override name = 'Unreadable'
}

function keyOf(text: string): string {
  const color = parseColor(text)
  if (!color) throw new Unreadable(`${text} is not a color`)
  return opaqueKey(color)
}

function becomingOf(to: Entry['to'], roleOf: (name: string) => string, opaque: (color: string) => string): Becoming {
  if ('keep' in to) return { kind: 'keep' }
  if ('inherit' in to) return { kind: 'inherit' }
  if ('follow' in to) return { kind: 'follow', lead: keyOf(to.follow) }
  return 'role' in to ? { kind: 'role', role: roleOf(to.role) } : { kind: 'color', color: opaque(to.color) }
}

/** A plan as a document that the command line and another copy of the site can take. Slips that were put right are not in it: they are of one copy. */
export function documentOf(
  { decisions, tolerance, byHand }: Pick<PlanState, 'decisions' | 'tolerance' | 'byHand'>,
  roles: readonly Role[],
  site: string,
): PlanDocument {
  const nameOf = (id: string) => roles.find((role) => role.id === id)?.name ?? null
  return {
    version: 1,
    site,
    palette: roles.map(({ name, color }) => ({ role: name, color })),
    tolerance,
    groups: byHand.groups.map((group) => [...group]),
    leads: [...byHand.leads],
    decisions: decisions.flatMap(({ target, to, alpha, over }): Entry[] => {
      const becomes = writtenBecoming(to, nameOf)
      const ground = over && 'role' in over ? nameOf(over.role) : null
      // A role that is gone from the palette paints nothing, and cannot be named.
      if (!becomes || (over && 'role' in over && ground === null)) return []
      return [
        {
          target: { ...target, colors: [...target.colors] },
          to: becomes,
          ...(alpha === undefined ? {} : { alpha }),
          ...(over === undefined ? {} : { over: ground === null ? over : { role: ground } }),
        },
      ]
    }),
    write: 'in-place',
  }
}

function writtenBecoming(to: Becoming, nameOf: (id: string) => string | null): Entry['to'] | null {
  switch (to.kind) {
    case 'keep':
      return { keep: true }
    case 'inherit':
      return { inherit: true }
    case 'follow':
      return { follow: to.lead }
    case 'color':
      return { color: to.color }
    case 'role': {
      const name = nameOf(to.role)
      return name === null ? null : { role: name }
    }
  }
}
