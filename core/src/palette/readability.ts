import { type Color, to8Bit } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { fromSpace, toSpace } from '../color/space.ts'
import { inSrgb, type Role, readRoleColor } from './role.ts'
import { groundsOf, servesOf } from './serves.ts'

/** Ratios of WCAG 2.2: 1.4.6 and 1.4.3 for text, 1.4.3 for large text, 1.4.11 for lines that carry meaning. */
export const RATIOS = { best: 7, text: 4.5, large: 3, line: 3 } as const

/** How well a text, or a line, is seen on its ground: `large`, only large text is readable. */
export type Level = 'best' | 'enough' | 'large' | 'fails'

/** One role on one of its grounds. */
export interface Legibility {
  readonly role: Role
  readonly ground: Role
  /** 1 to 21 */
  readonly ratio: number
  readonly level: Level
}

/** Every text and line of a palette on each of its grounds, by ground, those that fail first. A role whose color cannot be read is left out. */
export function legibilities(roles: readonly Role[]): Legibility[] {
  const colors = new Map(roles.map((role) => [role.id, shownColor(role)]))
  const all = roles
    .filter((role) => servesOf(role) !== 'ground')
    .flatMap((role) =>
      groundsOf(role, roles).flatMap((ground): Legibility[] => {
        const [front, back] = [colors.get(role.id), colors.get(ground.id)]
        if (!front || !back) return []
        const ratio = contrast(front, back)
        return [{ role, ground, ratio, level: levelOf(ratio, servesOf(role) === 'line') }]
      }),
    )
  const order = new Map(roles.map(({ id }, i) => [id, i]))
  return all.toSorted((a, b) => (order.get(a.ground.id) ?? 0) - (order.get(b.ground.id) ?? 0) || a.ratio - b.ratio)
}

function levelOf(ratio: number, isLine: boolean): Level {
  if (isLine) return ratio >= RATIOS.line ? 'enough' : 'fails'
  if (ratio >= RATIOS.best) return 'best'
  if (ratio >= RATIOS.text) return 'enough'
  return ratio >= RATIOS.large ? 'large' : 'fails'
}

/** As a screen shows it: of 8 bits, within sRGB. */
function shownColor({ color }: Role): Color | null {
  const read = readRoleColor(color)
  return typeof read === 'string' ? null : rounded(inSrgb(read))
}

function rounded(color: Color): Color {
  const [r, g, b] = to8Bit(color)
  return { r: r / 255, g: g / 255, b: b / 255, alpha: 1 }
}

/** Steps of lightness and of chroma in which is sought first, and in the small around the best of those. */
const COARSE = { lightness: 0.01, share: 0.1 }
const FINE = { lightness: 0.001, share: 0.01 }

/** A color tried: its OKLCH lightness, and its share of the chroma that it comes from. */
interface Tried {
  readonly color: Color
  readonly lightness: number
  readonly share: number
  /** ΔE00 from where it comes from. */
  readonly distance: number
}

/**
 * The color nearest to one (ΔE00) that has a ratio to each of some grounds, its hue kept in OKLCH; of 8 bits, within sRGB. Null: neither black nor white has it.
 * @param ratio 1 to 21
 */
export function nearestReadable(color: Color, grounds: readonly Color[], ratio: number): Color | null {
  const [lightness, chroma, hue] = toSpace('oklch', color)
  const lab = labOf(color)
  const backs = grounds.map(rounded)
  const nearest = (steps: readonly (readonly [number, number])[]): Tried | null => {
    let best: Tried | null = null
    for (const [lightness, share] of steps) {
      if (lightness < 0 || lightness > 1 || share < 0 || share > 1) continue
      const color = rounded(inSrgb(fromSpace('oklch', [lightness, chroma * share, hue], 1)))
      if (backs.some((back) => contrast(color, back) < ratio)) continue
      const distance = deltaE2000(lab, labOf(color))
      if (best === null || distance < best.distance) best = { color, lightness, share, distance }
    }
    return best
  }
  const itself = nearest([[lightness, 1]])
  if (itself) return itself.color
  const coarse = nearest(gridAround({ lightness: 0.5, share: 0.5 }, COARSE, 0.5))
  return coarse && (nearest(gridAround(coarse, FINE, 0.012)) ?? coarse).color
}

/** @param reach in lightness; that in shares of chroma goes with the steps */
function gridAround(
  from: { lightness: number; share: number },
  step: typeof COARSE,
  reach: number,
): [number, number][] {
  const steps = Math.round(reach / step.lightness)
  const shares = Math.min(Math.round(0.5 / step.share), Math.ceil((COARSE.share * 1.2) / step.share) + 3)
  const grid: [number, number][] = []
  for (let i = -steps; i <= steps; i++)
    for (let j = -shares; j <= shares; j++)
      grid.push([from.lightness + i * step.lightness, Math.min(1, Math.max(0, from.share + j * step.share))])
  return grid
}

/** Two roles that an eye hardly tells apart. */
export interface NearRoles {
  readonly a: Role
  readonly b: Role
  /** ΔE00 */
  readonly distance: number
}

/** Pairs of roles of one sort that differ by less than a distance (ΔE00), nearest first. @param seen how the colors look to somebody; left out: as they are */
export function nearRoles(
  roles: readonly Role[],
  within: number,
  seen: (color: Color) => Color = (c) => c,
): NearRoles[] {
  const read = roles.flatMap((role) => {
    const color = shownColor(role)
    return color ? [{ role, lab: labOf(seen(color)) }] : []
  })
  return read
    .flatMap(({ role: a, lab }, i) =>
      read
        .slice(i + 1)
        .filter(({ role: b }) => servesOf(a) === servesOf(b))
        .map(({ role: b, lab: other }): NearRoles => ({ a, b, distance: deltaE2000(lab, other) })),
    )
    .filter(({ distance }) => distance < within)
    .toSorted((a, b) => a.distance - b.distance)
}
