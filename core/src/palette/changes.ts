import { opaqueKey } from '../color/color.ts'
import { type Role, readRoleColor } from './role.ts'

/** In what a role differs: its name, its color, its value in another scheme, what it is for and stands on, its words. */
export const ROLE_PARTS = ['name', 'color', 'schemes', 'job', 'description'] as const
export type RolePart = (typeof ROLE_PARTS)[number]

/** What becomes of one role from one version of a palette to another. */
export interface RoleChange {
  /** null: it is new. */
  readonly before: Role | null
  /** null: it is gone. */
  readonly after: Role | null
  /** Empty where it is new or gone. */
  readonly parts: readonly RolePart[]
}

/** Every role that two versions of a palette differ in: those of the later one in its order, then those that are gone. The same color in another notation is the same. */
export function paletteChanges(before: readonly Role[], after: readonly Role[]): RoleChange[] {
  const changed = after.flatMap((role): RoleChange[] => {
    const old = before.find(({ id }) => id === role.id)
    if (!old) return [{ before: null, after: role, parts: [] }]
    const parts = ROLE_PARTS.filter((part) => says(part, old) !== says(part, role))
    return parts.length === 0 ? [] : [{ before: old, after: role, parts }]
  })
  const gone = before.filter(({ id }) => !after.some((role) => role.id === id))
  return [...changed, ...gone.map((role): RoleChange => ({ before: role, after: null, parts: [] }))]
}

/** What a role has in one part, as text that is equal where it is the same. */
function says(part: RolePart, role: Role): string {
  switch (part) {
    case 'schemes':
      return [role.dark, role.print].map(keyOf).join(' ')
    case 'job':
      return JSON.stringify([role.serves ?? null, role.on ?? null, role.made ?? null])
    case 'color':
      return keyOf(role.color)
    default:
      return role[part] ?? ''
  }
}

function keyOf(text: string | undefined): string {
  const color = text === undefined ? 'not-a-color' : readRoleColor(text)
  return typeof color === 'string' ? (text ?? '') : opaqueKey(color)
}
