import { type ColorLiteral, hexLiteral, nameLiteral } from '../../color/literal.ts'
import type { ValueHit } from './value-hit.ts'

/** Whether a value is one of the filters of Internet Explorer 4 to 9. */
export function isOldFilter(value: string): boolean {
  return /progid:/i.test(value)
}

/**
 * The colors within the filters of old browsers, quoted or not: six digits as everywhere, eight with their alpha in front
 * (`#AARRGGBB`), and names. Source: the filter reference of Internet Explorer (from memory).
 */
export function findInOldFilter(value: string): ValueHit[] {
  const hits: ValueHit[] = []
  for (const match of value.matchAll(/color(?:str)?\s*=\s*['"]?(#?[\da-z]+)/gi)) {
    const [whole, written = ''] = match
    const literal = written.startsWith('#') ? argb(written.slice(1)) : nameLiteral(written)
    const end = match.index + whole.length
    if (literal)
      hits.push({
        start: end - written.length,
        end,
        found: literal,
        functions: ['progid'],
        confidence: 'certain',
        isWhole: false,
      })
  }
  return hits
}

function argb(digits: string): ColorLiteral | null {
  if (digits.length === 6) return hexLiteral(digits)
  if (digits.length !== 8) return null
  const literal = hexLiteral(digits.slice(2) + digits.slice(0, 2))
  return literal && { ...literal, notation: 'argb' }
}

/** Whether a value is a script for Internet Explorer 5 to 7. */
export function isExpression(value: string): boolean {
  return /^\s*expression\(/i.test(value)
}

/** The strings of such a script that are wholly a color, and are not only compared with something. */
export function findInExpression(value: string): ValueHit[] {
  const hits: ValueHit[] = []
  for (const match of value.matchAll(/(?<![=!]=\s{0,5})(["'])(?:#([\da-f]+)|([a-z]+))\1/gi)) {
    const [whole, , digits, name] = match
    const literal = digits === undefined ? nameLiteral(name ?? '') : hexLiteral(digits)
    const [start, end] = [match.index + 1, match.index + whole.length - 1]
    if (literal)
      hits.push({ start, end, found: literal, functions: ['expression'], confidence: 'likely', isWhole: false })
  }
  return hits
}
