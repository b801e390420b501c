import { type Color, opaqueKey } from '../color/color.ts'
import { fromSpace, toSpace } from '../color/space.ts'
import { inSrgb, type Made, type Role, readRoleColor } from './role.ts'

/** Relations of hues in colour theory, by degrees of OKLCH from the base: common practice, no source. */
export const HUE_RELATIONS = [
  { name: 'the same', turned: 0 },
  { name: 'complementary', turned: 180 },
  { name: 'analogous +30°', turned: 30 },
  { name: 'analogous −30°', turned: -30 },
  { name: 'triadic +120°', turned: 120 },
  { name: 'triadic −120°', turned: -120 },
  { name: 'split +150°', turned: 150 },
  { name: 'split −150°', turned: -150 },
] as const

/** The color that is made of another, mapped into sRGB as CSS Color 4 §13.2 does; opaque. */
export function madeColor(base: Color, { lighter, stronger, turned }: Omit<Made, 'from'>): Color {
  const [lightness, chroma, hue] = toSpace('oklch', base)
  const wanted = [Math.min(1, Math.max(0, lightness + lighter)), chroma * stronger, (hue + turned + 360) % 360] as const
  return inSrgb(fromSpace('oklch', wanted, 1))
}

/** The roles with every made color as its base gives it now. One whose base is gone, cannot be read, or is made of itself keeps the color that it has. */
export function settled(roles: readonly Role[]): Role[] {
  const byId = new Map(roles.map((role) => [role.id, role]))
  const colorOf = (role: Role): Color | null => {
    const base = role.made && !leadsRound(role, byId) ? byId.get(role.made.from) : undefined
    const from = base && colorOf(base)
    if (role.made && from) return madeColor(from, role.made)
    const own = readRoleColor(role.color)
    return typeof own === 'string' ? null : own
  }
  return roles.map((role) => {
    const color = role.made ? colorOf(role) : null
    return color ? { ...role, color: opaqueKey(color) } : role
  })
}

/** Whether a role is made of itself, through others too. */
function leadsRound(role: Role, byId: ReadonlyMap<string, Role>): boolean {
  const seen = new Set<string>()
  for (let at: Role | undefined = role; at?.made; at = byId.get(at.made.from)) {
    if (seen.has(at.id)) return true
    seen.add(at.id)
  }
  return false
}
