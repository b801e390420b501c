import { COLOR_FUNCTIONS, parseColor } from '../../color/literal.ts'
import { COLOR_KEYWORDS, COLOR_NAMES } from '../../color/names.ts'
import type { SlipCode } from '../../text/finding.ts'
import type { PropertyKind } from './property.ts'

/** A value that was meant as a color and is none; offsets within the value's text. */
export interface Slip {
  readonly code: SlipCode
  readonly start: number
  readonly end: number
  /** What was likely meant; null: nobody can tell. */
  readonly meaning: string | null
}

/** Words that the properties of one color take beside colors. */
const WORDS =
  /^(?:inherit|initial|unset|revert|revert-layer|none|auto|invert|context-fill|context-stroke|currentcolor)$/i

/** What is not written out, or is a hack: nothing is said of such a value. */
const UNTOLD = /var\(|[$@{}\\~]|progid|expression\(|attr\(|env\(/i

/** The first slip in a value in which no color was found, or in a shorthand. Linear. */
export function slipIn(property: string, { holds }: PropertyKind, value: string, found: number): Slip | null {
  if (value.length > LONGEST) return null
  if (found > 0 && !value.includes('radient(') && !value.includes('#') && !value.includes(' ')) return null
  if (holds === 'among') return UNTOLD.test(value) ? null : slipAmongOthers(value)
  if ((found > 0 && !/gradient\(/i.test(value)) || holds !== 'one' || UNTOLD.test(value)) return null
  const match = /^\s*([\s\S]*?)\s*(?:!\s*important\s*)?$/i.exec(value)
  const written = match?.[1] ?? ''
  if (written === '') return null
  const start = value.indexOf(written)
  const slip = wholeSlip(property, written)
  return slip && { ...slip, start, end: start + written.length }
}

/** Longer than any color; keeps the expressions above linear. */
const LONGEST = 500

function wholeSlip(property: string, written: string): Pick<Slip, 'code' | 'meaning'> | null {
  if (/^#\S*$/.test(written)) return { code: 'hex-digits', meaning: withoutLookAlikes(written) }
  if (/^(?:[\da-f]{3}|[\da-f]{6}|[\da-f]{8})$/i.test(written)) return { code: 'missing-hash', meaning: `#${written}` }
  const name = /^([a-z-]+)\(/i.exec(written)?.[1]?.toLowerCase()
  if (name?.endsWith('gradient'))
    return { code: 'gradient-as-color', meaning: /background-color$/i.test(property) ? 'background-image' : null }
  if (name !== undefined && COLOR_FUNCTIONS.has(name) && !/\(.*["'(]/.test(written))
    return { code: 'color-out-of-form', meaning: inForm(name, written) }
  if (!/^[a-z]+$/i.test(written) || WORDS.test(written) || COLOR_KEYWORDS.has(written.toLowerCase())) return null
  const meant = nearestName(written.toLowerCase())
  return meant === null ? null : { code: 'unknown-color-name', meaning: meant }
}

/** A cheap test, since nearly no value has a slip. */
const MAY_SLIP = /#(?!(?:[\da-f]{3,4}|[\da-f]{6}|[\da-f]{8})(?![\da-z]))|(?:^|[\s,])(?=[a-f]*\d)[\da-f]{6}(?:$|[\s,!])/i

/** A hex value with too many or too few digits, or one without its `#`, among other things. */
function slipAmongOthers(value: string): Slip | null {
  if (!MAY_SLIP.test(value)) return null
  const bare = value.replace(/"[^"]*"|'[^']*'|url\([^)]*\)/gi, (text) => ' '.repeat(text.length))
  for (const { 0: written, index } of bare.matchAll(/#[\da-z]*/gi)) {
    const digits = written.slice(1)
    if (/^(?:[\da-f]{3,4}|[\da-f]{6}|[\da-f]{8})$/i.test(digits)) continue
    return { code: 'hex-digits', start: index, end: index + written.length, meaning: withoutLookAlikes(written) }
  }
  const match = /(^|[\s,])((?=[\da-f]*\d)(?=[\da-f]*[a-f])[\da-f]{6})(?=$|[\s,!])/i.exec(bare)
  if (!match?.[2]) return null
  const start = match.index + (match[1]?.length ?? 0)
  return { code: 'missing-hash', start, end: start + 6, meaning: `#${match[2]}` }
}

/** `#FFO`: letters taken for the digits that they look like. */
function withoutLookAlikes(written: string): string | null {
  const meant = written.replace(/o/gi, '0').replace(/[il]/gi, '1')
  return parseColor(meant) ? meant : null
}

/** The same numbers as the function takes them. */
function inForm(name: string, written: string): string | null {
  const numbers = written.slice(name.length).match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:%|deg)?/g) ?? []
  if (numbers.length < 3 || numbers.length > 4) return null
  const percent = name.startsWith('hsl')
    ? (text: string, i: number) => (i === 0 || text.endsWith('%') ? text : `${text}%`)
    : null
  const channels = percent ? numbers.slice(0, 3).map(percent) : numbers.slice(0, 3)
  const legacy = /^(?:rgb|hsl)/.test(name)
  const alpha = numbers.length === 4 ? `${legacy ? ', ' : ' / '}${numbers[3]}` : ''
  const base = legacy ? name.replace(/a$/, '') + (alpha === '' ? '' : 'a') : name
  const meant = `${base}(${channels.join(legacy ? ', ' : ' ')}${alpha})`
  return parseColor(meant) ? meant : null
}

/** The color name that is one slip of the finger away, two for long ones; of several the first in the alphabet. */
function nearestName(word: string): string | null {
  if (word.length < 3) return null
  const reach = word.length >= 8 ? 2 : 1
  let best: { name: string; distance: number } | null = null
  for (const name of [...COLOR_NAMES.keys()].sort()) {
    if (Math.abs(name.length - word.length) > reach) continue
    const distance = slipsBetween(name, word)
    if (distance <= reach && distance < (best?.distance ?? Number.POSITIVE_INFINITY)) best = { name, distance }
  }
  return best?.name ?? null
}

/** Letters that were left out, put in, replaced, or swapped with the next (optimal string alignment). */
function slipsBetween(a: string, b: string): number {
  let before: number[] = []
  let row = Array.from({ length: b.length + 1 }, (_, j) => j)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1
      let least = Math.min((row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1, (row[j - 1] ?? 0) + same)
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, (before[j - 2] ?? 0) + 1)
      next.push(least)
    }
    before = row
    row = next
  }
  return row[b.length] ?? 0
}

/** The colors of a file that a hex value may be with one digit lost or one too many: the most used, in the letter case that is written. @param colors opaque keys by use */
export function nearestHex(written: string, colors: ReadonlyMap<string, number>): string | null {
  const digits = written.slice(1).toLowerCase()
  const isNear = (other: string) => {
    const [long, short] = other.length > digits.length ? [other, digits] : [digits, other]
    return long.length === short.length + 1 && [...long].some((_, i) => long.slice(0, i) + long.slice(i + 1) === short)
  }
  const near = [...colors].filter(([color]) => /^#[\da-f]{6}$/.test(color) && isNear(color.slice(1)))
  const nearest = near.toSorted(([a, x], [b, y]) => y - x || (a < b ? -1 : 1))[0]?.[0] ?? null
  return /[A-F]/.test(written) && !/[a-f]/.test(written) ? (nearest?.toUpperCase() ?? null) : nearest
}
