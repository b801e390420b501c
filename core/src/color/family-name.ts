import type { Color } from './color.ts'
import { toSpace } from './space.ts'

/** Lightness 0 to 1, chroma, and hue in degrees from and to, in OKLCH; a hue that ends before it begins goes past 0. */
interface Family {
  readonly light?: readonly [number, number]
  readonly chroma?: readonly [number, number]
  readonly hue?: readonly [number, number]
}

const COLORED = [0.035, 1] as const
const GREYISH = [0, 0.035] as const

/** What people call colors: the basic terms, and a few that brands are called by (common practice, no source). */
const FAMILIES: Readonly<Record<string, Family>> = {
  red: { chroma: [0.08, 1], hue: [10, 42] },
  maroon: { light: [0, 0.45], chroma: COLORED, hue: [350, 40] },
  orange: { light: [0.55, 1], chroma: COLORED, hue: [40, 78] },
  brown: { light: [0.15, 0.55], chroma: [0.02, 1], hue: [20, 95] },
  yellow: { light: [0.6, 1], chroma: COLORED, hue: [78, 118] },
  gold: { light: [0.55, 0.95], chroma: COLORED, hue: [70, 105] },
  green: { chroma: COLORED, hue: [115, 172] },
  teal: { chroma: COLORED, hue: [165, 225] },
  turquoise: { light: [0.5, 1], chroma: COLORED, hue: [165, 225] },
  cyan: { light: [0.5, 1], chroma: COLORED, hue: [180, 235] },
  blue: { chroma: COLORED, hue: [225, 285] },
  navy: { light: [0, 0.42], chroma: COLORED, hue: [235, 290] },
  purple: { chroma: COLORED, hue: [280, 335] },
  violet: { chroma: COLORED, hue: [275, 325] },
  magenta: { chroma: [0.1, 1], hue: [315, 355] },
  pink: { light: [0.6, 1], chroma: COLORED, hue: [325, 22] },
  grey: { light: [0.12, 0.97], chroma: GREYISH },
  gray: { light: [0.12, 0.97], chroma: GREYISH },
  black: { light: [0, 0.24], chroma: [0, 0.05] },
  white: { light: [0.95, 1.01], chroma: [0, 0.025] },
}

/** Whether a text is one of the words that people call a family of colors by. */
export function isFamilyName(text: string): boolean {
  return Object.hasOwn(FAMILIES, text.toLowerCase())
}

/** Whether a color is of a family, as people call it. A word that names none has no colors. */
export function isOfFamily(color: Color, name: string): boolean {
  const key = name.toLowerCase()
  const family = Object.hasOwn(FAMILIES, key) ? FAMILIES[key] : undefined
  if (!family) return false
  const [l, c, h] = toSpace('oklch', color)
  const within = (value: number, range: readonly [number, number] | undefined) =>
    range === undefined || (value >= range[0] && value <= range[1])
  const [from, to] = family.hue ?? [0, 360]
  const isHue = from <= to ? h >= from && h <= to : h >= from || h <= to
  return within(l, family.light) && within(c, family.chroma) && isHue
}
