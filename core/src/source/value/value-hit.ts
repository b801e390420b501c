import type { ChannelFunction, ColorLiteral } from '../../color/literal.ts'
import type { Confidence } from '../occurrence.ts'

/** A color function of variables. */
export interface ComputedColor {
  readonly computedBy: string
  /** The variable that gives it all its channels: `rgb(var(--brand-rgb))`. */
  readonly channels: { readonly name: string; readonly of: ChannelFunction } | null
}

/** The hit of a color that is all of a text, white space around it aside; null where the text is none. */
export function wholeHit(text: string, found: ColorLiteral | null, confidence: Confidence): ValueHit | null {
  return (
    found && { start: text.search(/\S/), end: text.trimEnd().length, found, functions: [], confidence, isWhole: true }
  )
}

/** A color, a color keyword or a computed color within one value; offsets within the value's text. */
export interface ValueHit {
  readonly start: number
  readonly end: number
  readonly found: ColorLiteral | { readonly keyword: string } | ComputedColor
  /** The functions around it, outermost first, lower case. */
  readonly functions: readonly string[]
  readonly confidence: Confidence
  /** Whether it is all of the value, white space and `!important` aside. */
  readonly isWhole: boolean
}
