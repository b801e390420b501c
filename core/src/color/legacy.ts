import type { Color } from './color.ts'
import { type ColorLiteral, hexLiteral, nameLiteral } from './literal.ts'

/**
 * Reads the value of an attribute such as `bgcolor`, written out as an author means it: a name, `#rgb`, `#rrggbb`, or six digits without
 * the `#`; null for anything else.
 */
export function legacyLiteral(value: string): ColorLiteral | null {
  if (/^#(?:[\da-f]{3}|[\da-f]{6})$/i.test(value)) return hexLiteral(value.slice(1))
  if (/^[\da-f]{6}$/i.test(value)) return bareLiteral(value)
  return nameLiteral(value)
}

/** Three or six digits of a hex value without its `#`; null for anything else. */
export function bareLiteral(digits: string): ColorLiteral | null {
  const literal = digits.length === 3 || digits.length === 6 ? hexLiteral(digits) : null
  return literal && { ...literal, notation: 'bare-hex' }
}

/** The color that browsers make of any value of such an attribute (HTML §2.4.6, rules for parsing a legacy color value); null for none. */
export function legacyColor(value: string): Color | null {
  let digits = value.trim()
  if (digits === '' || digits.toLowerCase() === 'transparent') return null
  const literal = legacyLiteral(digits)
  if (literal) return literal.color
  digits = [...digits]
    .map((sign) => ((sign.codePointAt(0) ?? 0) > 0xffff ? '00' : sign))
    .join('')
    .slice(0, 128)
    .replace(/^#/, '')
    .replace(/[^\da-f]/gi, '0')
  while (digits.length === 0 || digits.length % 3 !== 0) digits += '0'
  const length = digits.length / 3
  let parts = [0, 1, 2].map((i) => digits.slice(i * length, (i + 1) * length).slice(-8))
  while ((parts[0]?.length ?? 0) > 2 && parts.every((part) => part.startsWith('0')))
    parts = parts.map((part) => part.slice(1))
  const [r = 0, g = 0, b = 0] = parts.map((part) => Number.parseInt(part.slice(0, 2), 16) / 255)
  return { r, g, b, alpha: 1 }
}
