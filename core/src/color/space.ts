import { converter, type Rgb } from 'culori'
import type { Color } from './color.ts'

/** The spaces that CSS Color 4 writes colors in, and what each channel means: numbers as CSS writes them, hues in degrees. */
export type Space =
  | 'rgb' // r g b, each 0 to 1
  | 'hsl' // degrees, 0 to 1, 0 to 1
  | 'hwb' // degrees, 0 to 1, 0 to 1
  | 'lab' // D50: L 0 to 100, a, b
  | 'lch' // D50: L 0 to 100, C, degrees
  | 'oklab' // L 0 to 1, a, b
  | 'oklch' // L 0 to 1, C, degrees
  | 'srgb-linear'
  | 'display-p3'
  | 'a98-rgb'
  | 'prophoto-rgb'
  | 'rec2020'
  | 'xyz-d50'
  | 'xyz-d65'

export type Channels = readonly [number, number, number]

const MODES = {
  rgb: ['rgb', 'r', 'g', 'b'],
  hsl: ['hsl', 'h', 's', 'l'],
  hwb: ['hwb', 'h', 'w', 'b'],
  lab: ['lab', 'l', 'a', 'b'],
  lch: ['lch', 'l', 'c', 'h'],
  oklab: ['oklab', 'l', 'a', 'b'],
  oklch: ['oklch', 'l', 'c', 'h'],
  'srgb-linear': ['lrgb', 'r', 'g', 'b'],
  'display-p3': ['p3', 'r', 'g', 'b'],
  'a98-rgb': ['a98', 'r', 'g', 'b'],
  'prophoto-rgb': ['prophoto', 'r', 'g', 'b'],
  rec2020: ['rec2020', 'r', 'g', 'b'],
  'xyz-d50': ['xyz50', 'x', 'y', 'z'],
  'xyz-d65': ['xyz65', 'x', 'y', 'z'],
} as const satisfies Record<Space, readonly [string, string, string, string]>

const toRgb = converter('rgb')

/** Reads channels of a space as a color. Out of sRGB stays out of sRGB: nothing is clipped. */
export function fromSpace(space: Space, [x, y, z]: Channels, alpha: number): Color {
  const [mode, a, b, c] = MODES[space]
  // The mode is a union here, which the library's overloads take one at a time only.
  const rgb = toRgb({ mode, [a]: x, [b]: y, [c]: z } as unknown as Rgb)
  return { r: rgb.r, g: rgb.g, b: rgb.b, alpha }
}

/** The channels of a color in a space; a hue that grey does not have is 0. */
export function toSpace(space: Space, color: Color): Channels {
  const [mode, a, b, c] = MODES[space]
  const out = converter(mode)({ mode: 'rgb', r: color.r, g: color.g, b: color.b }) as unknown as Record<
    string,
    number | undefined
  >
  return [out[a] ?? 0, out[b] ?? 0, out[c] ?? 0]
}
