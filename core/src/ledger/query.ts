import { opaqueKey } from '../color/color.ts'
import { isFamilyName } from '../color/family-name.ts'
import { parseColor } from '../color/literal.ts'
import type { Query } from './search.ts'

/** Three, four, six or eight hexadecimal digits: what clients send without their `#`. */
const BARE_HEX = /^(?:[\da-f]{3,4}|[\da-f]{6}|[\da-f]{8})$/i

/** A word of letters alone that is also hexadecimal digits, `add` or `decade`: sought as a text where letters alone stand for no name of a color. */
const LETTERS = /^[a-z]+$/i

/** What was typed into the field of search. Empty: null. A word that people call colors by; a color in any notation, digits without `#` too; everything else is a text. */
export function readQuery(typed: string): Query | null {
  const text = typed.trim()
  if (text === '') return null
  if (isFamilyName(text)) return { kind: 'family', text }
  const written = parseColor(text) ?? parseColor(text.replace(/;$/, ''))
  const color = written ?? (BARE_HEX.test(text) && !LETTERS.test(text) ? parseColor(`#${text}`) : null)
  return color ? { kind: 'color', color: opaqueKey(color) } : { kind: 'text', text }
}

/** A `#` with any digits, or a function of colors that is not closed or holds something else. */
const NEARLY = /^#[\da-z]*$|^(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\(/i

/** Whether a text that is sought was likely meant as a color, and is none. */
export function isNearlyColor(text: string): boolean {
  return NEARLY.test(text)
}
