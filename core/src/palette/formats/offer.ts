import { inSrgbGamut } from '../../color/color.ts'
import { parseColor } from '../../color/literal.ts'

/** What was understood of a color that was sent, and should be said: a `#` was missing, its alpha was left out, sRGB cannot show it. */
export type Remark = 'hash-added' | 'alpha-left-out' | 'outside-srgb'

/** A color that somebody sent, as it could become a role. */
export interface Offered {
  /** What it is called; null: nothing says. */
  readonly name: string | null
  /** Opaque, in a CSS notation. */
  readonly color: string
  /** From 1, in what was sent. */
  readonly line: number
  readonly remark: Remark | null
}

/** Why something that was sent is no color: nothing in it is one, a token leads to itself, to nothing, or to what is no color. */
export type Refusal = 'no-color' | 'leads-to-itself' | 'leads-to-nothing'

export interface Refused {
  readonly line: number
  /** At most 60 UTF-16 units. */
  readonly text: string
  readonly why: Refusal
}

/** What was sent, read as a palette. */
export interface Offer {
  readonly format: PaletteFormat
  readonly colors: readonly Offered[]
  readonly refused: readonly Refused[]
}

export type PaletteFormat = 'text' | 'tokens' | 'variables' | 'gpl' | 'csv' | 'image' | 'proposal'

/** A color as an offer has it, opaque; null: it is none. @param isBare whether its `#` was missing */
export function offered(name: string | null, written: string, line: number, isBare = false): Offered | null {
  const text = isBare ? `#${written}` : written.trim()
  const color = parseColor(text)
  if (!color) return null
  const opaque = color.alpha === 1 ? text : withoutAlpha(text)
  const remark = isBare ? 'hash-added' : color.alpha < 1 ? 'alpha-left-out' : inSrgbGamut(color) ? null : 'outside-srgb'
  return parseColor(opaque)?.alpha === 1 ? { name: name || null, color: opaque, line, remark } : null
}

/** The same notation without its alpha. */
function withoutAlpha(text: string): string {
  if (text.startsWith('#')) return text.slice(0, text.length === 5 ? 4 : 7)
  const bare = text.replace(/\s*\/[^)]*\)$/, ')')
  if (bare !== text) return bare
  return text.replace(/^(rgb|hsl)a\(/i, '$1(').replace(/,[^,]*\)$/, ')')
}

export function refused(line: number, text: string, why: Refusal): Refused {
  return { line, text: text.trim().slice(0, 60), why }
}
