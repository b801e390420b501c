import { type ChannelUnit, degreesIn, fullScale, numberScale } from '../color/channel.ts'
import { type Color, same8Bit, to8Bit, toHex } from '../color/color.ts'
import { type ColorLiteral, type Notation, parseInNotation } from '../color/literal.ts'
import { NAME_OF_VALUE } from '../color/names.ts'
import { type Space, toSpace } from '../color/space.ts'
import type { Occurrence } from '../source/occurrence.ts'

/** A literal written anew. */
export interface Rewritten {
  readonly text: string
  /** Whether it is still in the author's notation; if not, it is a hex value. */
  readonly kept: boolean
}

/** What is known of a literal where it stands. */
export type Written = Pick<Occurrence, 'raw' | 'notation' | 'alpha'>

/** More decimals than 8-bit sRGB ever needs in any notation. */
const MOST_DECIMALS = 5

/**
 * Writes a literal with another color: the place's alpha is kept as it is written, and the author's notation, units, separators
 * and letter case where that reads back to the same 8-bit sRGB; else a hex value.
 * A function with a variable alpha, and bare channels, can always be written so: every channel takes decimals.
 * @param literal its text as received, its notation, and its alpha (0 to 1) for one whose text alone does not say it
 * @param to the new color; its own alpha is left out
 */
export function rewriteLiteral({ raw, notation, alpha }: Written, to: Color): Rewritten {
  if (notation === 'argb') return { text: inCaseOf(raw, `${raw.slice(0, 3)}${toHex(to).slice(1)}`), kept: true }
  const literal = parseInNotation(raw, notation)
  const wanted = { ...to, alpha: literal?.color.alpha ?? alpha ?? 1 }
  const kept = literal && inNotation(raw, literal, wanted)
  return kept ? { text: kept, kept: true } : { text: hexText(wanted), kept: false }
}

function inNotation(raw: string, literal: ColorLiteral, to: Color): string | null {
  if (literal.channels && literal.space) return inFunction(raw, literal.notation, literal.channels, literal.space, to)
  if (literal.notation === 'name') {
    const [r, g, b] = to8Bit(to)
    return to.alpha === 1 ? (NAME_OF_VALUE.get((r << 16) | (g << 8) | b) ?? null) : null
  }
  return inHex(raw, literal.notation, to).slice(raw.startsWith('#') ? 0 : 1)
}

/** As many digits as the author wrote where they suffice, else the long form; the digits of alpha stay. */
function inHex(raw: string, notation: Notation, to: Color): string {
  const digits = toHex(to).slice(1)
  const short = digits.replace(/(.)\1/g, '$1')
  const alpha = notation === 'hex4' ? raw.slice(-1) : notation === 'hex8' ? raw.slice(-2) : ''
  const text =
    (notation === 'hex3' || notation === 'hex4') && isShort(digits) ? short : digits + (alpha.length === 1 ? alpha : '')
  return `#${inCaseOf(raw, text)}${alpha}`
}

/** Digits in the letter case of the author's. */
function inCaseOf(raw: string, text: string): string {
  return /[A-F]/.test(raw) && !/[a-f]/.test(raw) ? text.toUpperCase() : text
}

function isShort(digits: string): boolean {
  return digits[0] === digits[1] && digits[2] === digits[3] && digits[4] === digits[5]
}

/** Puts new channels where the old ones stand: names, spaces, commas and the alpha stay as written. */
function inFunction(
  raw: string,
  notation: Notation,
  channels: NonNullable<ColorLiteral['channels']>,
  space: Space,
  to: Color,
): string | null {
  const values = toSpace(space, to)
  for (let decimals = 0; decimals <= MOST_DECIMALS; decimals++) {
    let text = ''
    let at = 0
    for (const [index, { start, end, unit }] of channels.entries()) {
      const value = inUnit(values[index] ?? 0, notation, space, index, unit)
      const suffix = unit === 'percent' ? '%' : (/[a-z]+$/i.exec(raw.slice(start, end))?.[0] ?? '')
      text += raw.slice(at, start) + plain(value, decimals) + (suffix.toLowerCase() === 'none' ? '' : suffix)
      at = end
    }
    text += raw.slice(at)
    const read = parseInNotation(text, notation)
    if (read && same8Bit(read.color, to)) return text
  }
  return null
}

function inUnit(value: number, notation: Notation, space: Space, index: number, unit: ChannelUnit): number {
  const full = fullScale(space, index)
  if (full === null) return value / degreesIn(unit)
  return unit === 'percent' ? (value / full) * 100 : value * numberScale(notation)
}

/** A number without exponent, without trailing zeros, never "-0". */
function plain(value: number, decimals: number): string {
  const text = value.toFixed(decimals)
  const trimmed = text.includes('.') ? text.replace(/\.?0+$/, '') : text
  return trimmed === '-0' ? '0' : trimmed
}

/** `#rrggbb`, or with two digits of alpha where it is not opaque. */
export function hexText(color: Color): string {
  const alpha = Math.round(color.alpha * 255)
  return toHex(color) + (alpha === 255 ? '' : alpha.toString(16).padStart(2, '0'))
}
