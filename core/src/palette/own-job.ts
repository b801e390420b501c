import type { OpaqueKey } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { toSpace } from '../color/space.ts'
import type { Observation } from './observation.ts'
import { type Role, readRoleColor } from './role.ts'
import { anothersOf } from './site-colors.ts'

/** A job that a color has by itself, though it may look like a shade of another: a status, another company's color, a grey, a role of the new palette already. */
export type OwnJob = 'status' | 'company' | 'neutral' | 'role'

/** OKLCH chroma below which a color is a neutral, and ΔE00 below which it is a role's (common practice, no source). */
const NEUTRAL = 0.025
const SAME = 1

/** The job of its own that a color has, by what is seen of it and what it is; null: none. */
export function ownJobOf(key: OpaqueKey, seen: Observation | null, roles: readonly Role[]): OwnJob | null {
  const anothers = seen && seen.places > 0 ? anothersOf({ lead: key, seen }) : null
  if (anothers) return anothers
  const color = parseColor(key)
  if (!color) return null
  const lab = labOf(color)
  const isRole = roles.some((role) => {
    const own = readRoleColor(role.color)
    return typeof own !== 'string' && deltaE2000(lab, labOf(own)) < SAME
  })
  if (isRole) return 'role'
  return toSpace('oklch', color)[1] < NEUTRAL ? 'neutral' : null
}
