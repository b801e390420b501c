import { COLOR_FUNCTIONS, parseLiteral } from '../color/literal.ts'
import type { Written } from './notation.ts'

/** The alpha behind the channels of a function, with what stands before it, and the closing bracket. */
const WRITTEN_ALPHA = /^([^(]*\([^,/]*(?:,[^,/]*,[^,/]*)?)(?:([,/]\s*)([^,/()]+?))?(\s*\))$/

/** Enough for every 8-bit alpha. */
const DECIMALS = 4

/**
 * A literal with another alpha in the author's notation, where that can hold one; null where it cannot: a name, digits without `#`, bare channels.
 * @param alpha 0 to 1
 */
export function withAlpha(written: Written, alpha: number): Written | null {
  const { raw, notation } = written
  if (notation === 'argb') return { ...written, alpha, raw: `#${hexByte(alpha)}${raw.slice(3)}` }
  if (notation === 'name') return alpha === 1 ? { ...written, alpha } : null
  const digits = /^#(?:([\da-f]{3})[\da-f]?|([\da-f]{6})(?:[\da-f]{2})?)$/i.exec(raw)
  if (digits) return inHex(written, digits[1] ?? null, digits[2] ?? '', alpha)
  return COLOR_FUNCTIONS.has(notation) ? inFunction(written, alpha) : null
}

function hexByte(alpha: number): string {
  return Math.round(alpha * 255)
    .toString(16)
    .padStart(2, '0')
}

function inHex(written: Written, short: string | null, long: string, alpha: number): Written {
  const byte = /[A-F]/.test(written.raw) ? hexByte(alpha).toUpperCase() : hexByte(alpha)
  const isShort = short !== null && byte[0] === byte[1]
  const color = isShort ? short : short === null ? long : short.replace(/./g, '$&$&')
  const added = alpha === 1 ? '' : isShort ? byte.slice(1) : byte
  const raw = `#${color}${added}`
  return { raw, notation: `hex${(raw.length - 1) as 3 | 4 | 6 | 8}`, alpha }
}

/** With commas the function is written `rgba()` or `hsla()`: the first browsers that knew alpha ask for that name. */
function inFunction({ raw, notation }: Written, alpha: number): Written | null {
  const match = WRITTEN_ALPHA.exec(raw)
  if (!match) return null
  const [, head = '', sign, , close = ''] = match
  const value = String(Number(alpha.toFixed(DECIMALS)))
  const isOld = head.includes(',')
  const name = (text: string) => (isOld ? text.replace(/^(rgb|hsl)(?=\()/i, '$1a') : text)
  const text = `${name(head)}${sign ?? (isOld ? ', ' : ' / ')}${value}${close}`
  const read = parseLiteral(text)
  return read && { raw: text, notation: read.notation ?? notation, alpha }
}
