import { converter, toGamut } from 'culori'
import { type Color, inSrgbGamut } from '../color/color.ts'
import { parseColor } from '../color/literal.ts'

/** A color of the brand by the job that it does. */
export interface Role {
  /** Stays the same when the role is renamed. */
  readonly id: string
  readonly name: string
  /** Any CSS notation, opaque. */
  readonly color: string
}

export type RoleColorProblem = 'not-a-color' | 'not-opaque'

/** Reads a role's color; roles are opaque, since each place keeps its own alpha. */
export function readRoleColor(text: string): Color | RoleColorProblem {
  const color = parseColor(text)
  if (!color) return 'not-a-color'
  return color.alpha === 1 ? color : 'not-opaque'
}

const fit = toGamut('rgb', 'oklch')
const toRgb = converter('rgb')

/** The sRGB color that a screen shows for a color: itself, or mapped into the gamut as CSS Color 4 §13.2 does, in OKLCH. */
export function inSrgb(color: Color): Color {
  if (inSrgbGamut(color)) return color
  const { r, g, b } = toRgb(fit({ mode: 'rgb', r: color.r, g: color.g, b: color.b }))
  return { r, g, b, alpha: color.alpha }
}

/** Role names are one when they differ only in letter case or white space. */
export function sameRoleName(a: string, b: string): boolean {
  const plain = (name: string) => name.trim().replace(/\s+/g, ' ').toLowerCase()
  return plain(a) === plain(b)
}
