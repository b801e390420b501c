import { type Color, toHex } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { fromSpace, toSpace } from '../color/space.ts'
import type { Offer, Offered } from './formats/offer.ts'
import { roleFor } from './jobs.ts'
import { nearestReadable, RATIOS } from './readability.ts'
import { inSrgb, type Role, readRoleColor } from './role.ts'
import { servesOf } from './serves.ts'

/** Hues of what is said by colour, in degrees of OKLCH: common practice, no source. */
const SAID = { success: 150, warning: 70, error: 27 } as const

/** A grey with a little of a hue. */
const tinted = (lightness: number, chroma: number, hue: number) =>
  inSrgb(fromSpace('oklch', [lightness, chroma, hue], 1))

/**
 * The roles that a palette needs and does not have yet, made of those that it has: grounds and texts are greys of the primary's hue, and whatever is read is readable on
 * both grounds (4.5:1; lines 3:1). An empty offer: there is no ground to begin with.
 */
export function missingRoles(roles: readonly Role[]): Offer {
  const named = (name: string) => roleFor(name, roles)
  const first = named('primary') ?? roles.find((role) => servesOf(role) === 'ground')
  const primary = first && shown(first)
  if (!primary) return { format: 'proposal', colors: [], refused: [] }
  const [, chroma, hue] = toSpace('oklch', primary)
  const tint = Math.min(1, chroma / 0.1)
  const own = (name: string) => {
    const role = named(name)
    return role ? shown(role) : null
  }
  const ground = own('ground') ?? tinted(0.985, 0.005 * tint, hue)
  const soft = own('soft ground') ?? tinted(0.955, 0.012 * tint, hue)
  const readable = (color: Color, ratio: number) =>
    nearestReadable(color, [ground, soft], ratio) ?? nearestReadable(color, [ground], ratio) ?? color
  const wanted: readonly (readonly [string, Color])[] = [
    [`text on ${first.name}`, onto(primary)],
    ['accent', inSrgb(fromSpace('oklch', [0.68, 0.14, (hue + 180) % 360], 1))],
    ['ground', ground],
    ['soft ground', soft],
    ['text', readable(tinted(0.27, 0.02 * tint, hue), RATIOS.best)],
    ['soft text', readable(tinted(0.5, 0.02 * tint, hue), RATIOS.text)],
    ['line', readable(tinted(0.65, 0.02 * tint, hue), RATIOS.line)],
    ['link', readable(primary, RATIOS.text)],
    ...Object.entries(SAID).map(
      ([name, said]) => [name, readable(inSrgb(fromSpace('oklch', [0.5, 0.13, said], 1)), RATIOS.text)] as const,
    ),
    ['focus', readable(primary, RATIOS.line)],
  ]
  const colors = wanted
    .filter(([name]) => !named(name) && !(name.startsWith('text on ') && named('text on primary')))
    .map(([name, color], i): Offered => ({ name, color: toHex(color), line: i + 1, remark: null }))
  return { format: 'proposal', colors, refused: [] }
}

/** White or nearly black: whichever is read better. */
function onto(ground: Color): Color {
  const [white, dark] = [tinted(1, 0, 0), tinted(0.2, 0, 0)]
  return contrast(white, ground) >= contrast(dark, ground) ? white : dark
}

function shown({ color }: Role): Color | null {
  const read = readRoleColor(color)
  return typeof read === 'string' ? null : inSrgb(read)
}
