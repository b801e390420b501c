import { type CSSToken, TokenType } from '@csstools/css-tokenizer'
import type { Space } from './space.ts'

/** How one channel is written; `deg` stands for a hue without a unit too. */
export type ChannelUnit = 'number' | 'percent' | 'deg' | 'grad' | 'rad' | 'turn'

/** What 100 % means for each channel, in the units of `Space` (CSS Color 4, the tables of each function); null: a hue takes no percentage. */
const FULL: Readonly<Record<Space, readonly [number | null, number | null, number | null]>> = {
  rgb: [1, 1, 1],
  hsl: [null, 1, 1],
  hwb: [null, 1, 1],
  lab: [100, 125, 125],
  lch: [100, 150, null],
  oklab: [1, 0.4, 0.4],
  oklch: [1, 0.4, null],
  'srgb-linear': [1, 1, 1],
  'display-p3': [1, 1, 1],
  'a98-rgb': [1, 1, 1],
  'prophoto-rgb': [1, 1, 1],
  rec2020: [1, 1, 1],
  'xyz-d50': [1, 1, 1],
  'xyz-d65': [1, 1, 1],
}

const DEGREES: Readonly<Record<string, number>> = { deg: 1, grad: 0.9, rad: 180 / Math.PI, turn: 360 }

/** The value that 100 % of a channel stands for; null for a hue. */
export function fullScale(space: Space, index: number): number | null {
  return FULL[space][index] ?? null
}

/** Degrees in one unit of an angle. */
export function degreesIn(unit: ChannelUnit): number {
  return DEGREES[unit] ?? 1
}

/** A plain number stands for value / numberScale in the units of `Space`: 255 for rgb(), 100 for hsl() and hwb(), else 1. */
export function numberScale(notation: string): number {
  if (notation.startsWith('rgb')) return 255
  return notation.startsWith('hsl') || notation.startsWith('hwb') ? 100 : 1
}

/**
 * One channel as a color function takes it, in the units of `Space`; null where it takes no such thing.
 * @param legacy whether the channels stand between commas (CSS Color 4 §4.1.1)
 */
export function readChannel(
  notation: string,
  space: Space,
  index: number,
  token: CSSToken,
  legacy: boolean,
): { value: number; unit: ChannelUnit } | null {
  const full = FULL[space][index] ?? null
  switch (token[0]) {
    case TokenType.Ident:
      return !legacy && token[4].value.toLowerCase() === 'none'
        ? { value: 0, unit: full === null ? 'deg' : 'number' }
        : null
    case TokenType.Number: {
      if (full === null) return { value: token[4].value, unit: 'deg' }
      if (legacy && space === 'hsl') return null
      return { value: clampChannel(space, index, token[4].value / numberScale(notation)), unit: 'number' }
    }
    case TokenType.Percentage:
      if (full === null) return null
      return { value: clampChannel(space, index, (token[4].value / 100) * full), unit: 'percent' }
    case TokenType.Dimension: {
      const unit = token[4].unit.toLowerCase()
      const degrees = DEGREES[unit]
      if (full !== null || degrees === undefined) return null
      return { value: token[4].value * degrees, unit: unit as ChannelUnit }
    }
    default:
      return null
  }
}

/** Clamping that CSS Color 4 does when it reads: lightness to its range, chroma and saturation not below 0. */
function clampChannel(space: Space, index: number, value: number): number {
  const full = FULL[space][index] ?? 1
  if (space === 'hsl' || space === 'hwb') return Math.min(1, Math.max(0, value))
  if (space === 'lab' || space === 'oklab') return index === 0 ? Math.min(full, Math.max(0, value)) : value
  if (space === 'lch' || space === 'oklch') {
    if (index === 0) return Math.min(full, Math.max(0, value))
    return index === 1 ? Math.max(0, value) : value
  }
  return value
}
