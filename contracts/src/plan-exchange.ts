import {
  type Becoming,
  type Decision,
  type Ground,
  type Insertion,
  opaqueKey,
  type PlanState,
  parseColor,
  type Role,
  readRoleColor,
  sameRoleName,
} from '@undo-ink/core'
import type { PlanDocument } from './plan-document.ts'
import type { SiteFile } from './site.ts'

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
  const { roleOf, opaque } = naming(roles)
  return read(`decisions.${index}`, (): { readonly decision: Omit<Decision, 'id'> } => {
    const { target, to, alpha, over, solid } = entry
    const becomes =
      'gradient' in to
        ? { kind: 'gradient' as const, stops: to.gradient.map((stop) => groundIn(stop, roles)), angle: to.angle }
        : becomingOf(to, roleOf, opaque)
    return {
      decision: {
        target: { ...target, colors: target.colors.map(keyOf) },
        to: becomes,
        ...(alpha === undefined ? {} : { alpha }),
        ...(over === undefined ? {} : { over: groundIn(over, roles) }),
        ...(solid === undefined ? {} : { solid }),
      },
    }
  })
}

type InsertionEntry = NonNullable<PlanDocument['insertions']>[number]

/** The same of one insertion. */
export function readInsertion(
  entry: InsertionEntry,
  index: number,
  roles: readonly Role[],
): { readonly insertion: Omit<Insertion, 'id'> } | { readonly problem: DocumentProblem } {
  return read(`insertions.${index}`, () => ({ insertion: { ...entry, to: groundIn(entry.to, roles) } }))
}

function read<T>(at: string, make: () => T): T | { readonly problem: DocumentProblem } {
  try {
    return make()
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error
    return { problem: { at, message: error.message } }
  }
}

/** What finds roles by name and takes only colors that are opaque; else it throws. */
function naming(roles: readonly Role[]) {
  return {
    roleOf(name: string): string {
      const role = roles.find((each) => sameRoleName(each.name, name))
      if (!role) throw new Unreadable(`the palette has no role ${name}`)
      return role.id
    },
    opaque(color: string): string {
      const found = readRoleColor(color)
      if (found === 'not-a-color') throw new Unreadable(`${color} is not a color`)
      if (found === 'not-opaque') throw new Unreadable(`${color} is see-through; a color that is taken is opaque`)
      return color
    },
  }
}

function groundIn(ground: Ground, roles: readonly Role[]): Ground {
  const { roleOf, opaque } = naming(roles)
  return 'role' in ground ? { role: roleOf(ground.role) } : { color: opaque(ground.color) }
}

class Unreadable extends Error {
  override name = 'Unreadable'
}

function keyOf(text: string): string {
  const color = parseColor(text)
  if (!color) throw new Unreadable(`${text} is not a color`)
  return opaqueKey(color)
}

function becomingOf(
  to: Exclude<Entry['to'], { gradient: unknown }>,
  roleOf: (name: string) => string,
  opaque: (color: string) => string,
): Becoming {
  if ('keep' in to) return { kind: 'keep' }
  if ('inherit' in to) return { kind: 'inherit' }
  if ('follow' in to) return { kind: 'follow', lead: keyOf(to.follow) }
  return 'role' in to ? { kind: 'role', role: roleOf(to.role) } : { kind: 'color', color: opaque(to.color) }
}

/** The copy that a plan is of. */
export interface PlannedCopy {
  /** Name of the site. */
  readonly site: string
  readonly digest: string
  readonly files: readonly Pick<SiteFile, 'path' | 'choice'>[]
}

/** A plan as a document that the command line and another copy of the site can take. */
export function documentOf(
  {
    decisions,
    insertions,
    corrections,
    confirmations,
    tolerance,
    byHand,
  }: Pick<PlanState, 'decisions' | 'insertions' | 'corrections' | 'confirmations' | 'tolerance' | 'byHand'>,
  roles: readonly Role[],
  { site, digest, files }: PlannedCopy,
): PlanDocument {
  const nameOf = (id: string) => roles.find((role) => role.id === id)?.name ?? null
  return {
    version: 1,
    site,
    copy: digest,
    files: Object.fromEntries(files.flatMap(({ path, choice }) => (choice === null ? [] : [[path, choice]]))),
    confirmed: confirmations.flatMap(({ places }) => [...places]),
    corrections: corrections.map(({ id: _, ...correction }) => correction),
    palette: roles.map(({ name, color }) => ({ role: name, color })),
    tolerance,
    groups: byHand.groups.map((group) => [...group]),
    leads: [...byHand.leads],
    decisions: decisions.flatMap(({ target, to, alpha, over, solid }): Entry[] => {
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
          ...(solid === undefined ? {} : { solid }),
        },
      ]
    }),
    insertions: insertions.flatMap(({ id: _, ...insertion }) => {
      const { to } = insertion
      if ('color' in to) return [insertion]
      const name = nameOf(to.role)
      return name === null ? [] : [{ ...insertion, to: { role: name } }]
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
    case 'gradient': {
      const stops = to.stops.flatMap((stop): Ground[] => {
        if ('color' in stop) return [stop]
        const name = nameOf(stop.role)
        return name === null ? [] : [{ role: name }]
      })
      return stops.length < to.stops.length ? null : { gradient: stops, angle: to.angle }
    }
    case 'role': {
      const name = nameOf(to.role)
      return name === null ? null : { role: name }
    }
  }
}
