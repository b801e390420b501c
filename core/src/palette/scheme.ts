import { settled } from './made.ts'
import type { Role } from './role.ts'

/** Where a palette is seen; a role may have a value of its own in the last two. */
export const SCHEMES = ['light', 'dark', 'print'] as const
export type Scheme = (typeof SCHEMES)[number]

/** The roles as a scheme has them: each with its value there; one that is made of another follows it there too, unless it has its own. */
export function rolesIn(scheme: Scheme, roles: readonly Role[]): readonly Role[] {
  if (scheme === 'light' || roles.every((role) => role[scheme] === undefined)) return roles
  return settled(
    roles.map((role) => {
      const own = role[scheme]
      if (own === undefined) return role
      const { made: _, ...rest } = role
      return { ...rest, color: own }
    }),
  )
}

/** A role with another value in one scheme. A color of its own is made from no other any more. */
export function withValue(role: Role, scheme: Scheme, color: string): Role {
  if (scheme !== 'light') return { ...role, [scheme]: color }
  const { made: _, ...rest } = role
  return { ...rest, color }
}
