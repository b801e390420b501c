import type { Color } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { type Role, readRoleColor } from './role.ts'

export interface Nearest {
  readonly role: Role
  /** ΔE00 */
  readonly distance: number
}

/** The role whose color is nearest to one, alpha left out; of equals the first. Null for no readable role. */
export function nearestRole(color: Color, roles: readonly Role[]): Nearest | null {
  const lab = labOf(color)
  return roles.reduce<Nearest | null>((best, role) => {
    const read = readRoleColor(role.color)
    if (typeof read === 'string') return best
    const distance = deltaE2000(lab, labOf(read))
    return best !== null && best.distance <= distance ? best : { role, distance }
  }, null)
}
