import { converter, toGamut } from 'culori'
import { type Color, inSrgbGamut } from '../color/color.ts'
import { parseColor } from '../color/literal.ts'

/** What a role is for, by which it is judged: text and lines stand on grounds. */
export const SERVES = ['text', 'ground', 'line'] as const
export type Serves = (typeof SERVES)[number]

/** How a role's color is made from another's, in OKLCH: it follows its base when that changes. */
export interface Made {
  /** Id of the role that it is made from. */
  readonly from: string
  /** Added to the lightness of the base: -1 to 1. */
  readonly lighter: number
  /** The chroma of the base times this: 0 is grey, 1 stays, 2 at most. */
  readonly stronger: number
  /** Degrees by which the hue is turned: -180 to 180. */
  readonly turned: number
}

/** A color of the brand by the job that it does. */
export interface Role {
  /** Stays the same when the role is renamed. */
  readonly id: string
  readonly name: string
  /** Any CSS notation, opaque. */
  readonly color: string
  /** Its color in a dark scheme; left out: the same, or as its base has one. */
  readonly dark?: string
  /** Its color in print; left out: the same, or as its base has one. */
  readonly print?: string
  /** For whoever comes after: when it is used, and when not. */
  readonly description?: string
  /** Left out: what its name says. */
  readonly serves?: Serves
  /** Ids of the grounds that it stands on; left out: every one. */
  readonly on?: readonly string[]
  /** Left out: a color of its own. */
  readonly made?: Made
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
  return plainRoleName(a) === plainRoleName(b)
}

/** The same for all names that are one. */
function plainRoleName(name: string): string {
  return name.trim().replace(/\s+/g, ' ').toLowerCase()
}
