import { calc } from '@csstools/css-calc'
import { type CSSToken, TokenType, tokenize } from '@csstools/css-tokenizer'
import { type ChannelUnit, readChannel } from './channel.ts'
import type { Color } from './color.ts'
import { COLOR_NAMES } from './names.ts'
import { type Channels, fromSpace, type Space } from './space.ts'

/** The color functions whose channels alone may stand in a variable: `--brand-rgb: 13, 110, 253`. */
const CHANNEL_FUNCTIONS = ['rgb', 'hsl', 'hwb', 'lab', 'lch', 'oklab', 'oklch'] as const
export type ChannelFunction = (typeof CHANNEL_FUNCTIONS)[number]

/**
 * How a color is written. `rgb` and `rgba` are one function in CSS Color 4, but two spellings to keep; `argb` is the `#AARRGGBB` of
 * old browsers' filters, which only its place tells from `hex8`; `bare-hex` has no `#`, where its place takes digits alone.
 */
export const NOTATIONS = [
  'hex3',
  'hex4',
  'hex6',
  'hex8',
  'argb',
  'bare-hex',
  'name',
  'rgb',
  'rgba',
  'hsl',
  'hsla',
  'hwb',
  'lab',
  'lch',
  'oklab',
  'oklch',
  'color',
  ...CHANNEL_FUNCTIONS.map((name) => `${name}-channels` as const),
] as const
export type Notation = (typeof NOTATIONS)[number]

/** One written channel: what part of the literal's text it is and its unit. */
export interface ChannelText {
  readonly start: number
  readonly end: number
  readonly unit: ChannelUnit
}

/** A color written out in full. Offsets count within the literal's own text. */
export interface ColorLiteral {
  readonly notation: Notation
  readonly color: Color
  /** Whether its alpha is a variable or a calculation; `color.alpha` is then 1. */
  readonly alphaIsOpen: boolean
  /** The three color channels of a function; null for hex values and names. */
  readonly channels: readonly [ChannelText, ChannelText, ChannelText] | null
  /** The space of the channels; null for hex values and names. */
  readonly space: Space | null
}

/** Functions whose arguments, written out, are a color (CSS Color 4). */
export const COLOR_FUNCTIONS: ReadonlySet<string> = new Set(
  'rgb rgba hsl hsla hwb lab lch oklab oklch color'.split(' '),
)

const PREDEFINED: Readonly<Record<string, Space>> = {
  srgb: 'rgb',
  'srgb-linear': 'srgb-linear',
  'display-p3': 'display-p3',
  'a98-rgb': 'a98-rgb',
  'prophoto-rgb': 'prophoto-rgb',
  rec2020: 'rec2020',
  xyz: 'xyz-d65',
  'xyz-d50': 'xyz-d50',
  'xyz-d65': 'xyz-d65',
}

/** Reads a text that is exactly one written-out color (white space around it allowed); null for anything else. */
export function parseColor(text: string): Color | null {
  return parseLiteral(text.trim())?.color ?? null
}

/** Reads a text that is exactly one written-out color, with no white space around it; null for anything else. */
export function parseLiteral(text: string): ColorLiteral | null {
  const tokens = tokenize({ css: text })
  const first = tokens[0]
  if (!first) return null
  if (tokens.length === 2) {
    if (first[0] === TokenType.Hash) return hexLiteral(first[4].value)
    if (first[0] === TokenType.Ident) return nameLiteral(first[4].value)
    return null
  }
  if (first[0] !== TokenType.Function || tokens.at(-2)?.[0] !== TokenType.CloseParen) return null
  return functionLiteral(first[4].value, tokens.slice(1, -2), 0)
}

/**
 * Reads bare channels as a color function would take them: `13, 110, 253` or `222 47% 11%`; null for anything else. Offsets in the
 * result count within the text.
 */
export function channelLiteral(by: ChannelFunction, text: string): ColorLiteral | null {
  const literal = functionLiteral(by, tokenize({ css: text }).slice(0, -1), 0)
  return literal && { ...literal, notation: `${by}-channels` }
}

/** Reads a text in the notation that it is known to have; null where it has not. */
export function parseInNotation(text: string, notation: Notation): ColorLiteral | null {
  if (notation === 'bare-hex') return hexLiteral(text)
  if (!notation.endsWith('-channels')) return parseLiteral(text)
  return channelLiteral(notation.slice(0, -'-channels'.length) as ChannelFunction, text)
}

/** A hex value without its `#`: 3, 4, 6 or 8 digits (CSS Color 4 §5.2); null for anything else. */
export function hexLiteral(digits: string): ColorLiteral | null {
  const { length } = digits
  if ((length !== 3 && length !== 4 && length !== 6 && length !== 8) || !/^[\da-f]+$/i.test(digits)) return null
  const value = Number.parseInt(digits, 16)
  // Each channel has one digit or two; a single one stands for itself twice.
  const bits = length < 5 ? 4 : 8
  const top = length === 3 || length === 6 ? 2 : 3
  const channel = (index: number) => ((value >>> (bits * (top - index))) & (2 ** bits - 1)) / (2 ** bits - 1)
  const color = { r: channel(0), g: channel(1), b: channel(2), alpha: top === 3 ? channel(3) : 1 }
  return { notation: `hex${length}`, color, alphaIsOpen: false, channels: null, space: null }
}

/** A color name, in any letter case; null for keywords and other words. */
export function nameLiteral(name: string): ColorLiteral | null {
  const value = COLOR_NAMES.get(name.toLowerCase())
  if (value === undefined) return null
  const color = { r: (value >> 16) / 255, g: ((value >> 8) & 255) / 255, b: (value & 255) / 255, alpha: 1 }
  return { notation: 'name', color, alphaIsOpen: false, channels: null, space: null }
}

/**
 * Reads the arguments of a color function: every channel must be written out as CSS Color 4 allows it, in the legacy syntax with
 * commas or the modern one; null for anything else (a variable, a calculation, a relative color, a wrong count).
 * @param tokens the arguments, without the function token and the closing bracket
 * @param origin offset that the literal's text has in the tokens' text
 */
export function functionLiteral(name: string, tokens: readonly CSSToken[], origin: number): ColorLiteral | null {
  const notation = name.toLowerCase() as Notation
  if (!COLOR_FUNCTIONS.has(notation)) return null
  const words = withSums(tokens).filter(([type]) => type !== TokenType.Whitespace && type !== TokenType.Comment)
  let space = SPACES[notation]
  if (notation === 'color') {
    const ident = words.shift()
    if (ident?.[0] !== TokenType.Ident) return null
    space = PREDEFINED[ident[4].value.toLowerCase()]
  }
  if (!space) return null
  const legacy = words[1]?.[0] === TokenType.Comma
  const values = legacy ? legacyValues(notation, words) : modernValues(words)
  if (!values) return null

  const written: ChannelText[] = []
  const numbers: number[] = []
  for (const [index, token] of values.channels.entries()) {
    const channel = readChannel(notation, space, index, token, legacy)
    if (!channel) return null
    numbers.push(channel.value)
    written.push({ start: token[2] - origin, end: token[3] + 1 - origin, unit: channel.unit })
  }
  if (legacy && notation.startsWith('rgb') && new Set(written.map((c) => c.unit)).size > 1) return null
  const alphaIsOpen = isOpenAlpha(values.alpha)
  const alpha = values.alpha.length === 0 || alphaIsOpen ? 1 : readAlpha(values.alpha)
  if (alpha === null) return null
  return {
    notation,
    color: clampLegacy(space, notation, fromSpace(space, numbers as unknown as Channels, alpha)),
    alphaIsOpen,
    channels: written as unknown as ColorLiteral['channels'],
    space,
  }
}

/** Functions of CSS that give a number (CSS Values 4 §10). */
const MATH = /^(?:calc|min|max|clamp|round|mod|rem|abs|sign)$/i

/** The same tokens, with each sum that is written out as the number that it gives, at the place of the whole sum. */
function withSums(tokens: readonly CSSToken[]): readonly CSSToken[] {
  if (!tokens.some((token) => token[0] === TokenType.Function && MATH.test(token[4].value))) return tokens
  const found: CSSToken[] = []
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as CSSToken
    const close = token[0] === TokenType.Function && MATH.test(token[4].value) ? closeOf(tokens, i) : -1
    const number = close < 0 ? null : numberOf(tokens.slice(i, close + 1))
    found.push(number ?? token)
    if (number) i = close
  }
  return found
}

function numberOf(sum: readonly CSSToken[]): CSSToken | null {
  const [first, last] = [sum[0] as CSSToken, sum.at(-1) as CSSToken]
  const [token, end] = tokenize({ css: calc(sum.map(([, raw]) => raw).join('')) })
  if (end?.[0] !== TokenType.EOF) return null
  const isNumber = token?.[0] === TokenType.Number || token?.[0] === TokenType.Percentage
  if (!token || !(isNumber || token[0] === TokenType.Dimension)) return null
  return [token[0], token[1], first[2], last[3], token[4]] as CSSToken
}

/** The index of the bracket that closes a function; -1: none. */
function closeOf(tokens: readonly CSSToken[], open: number): number {
  let depth = 0
  for (let i = open; i < tokens.length; i++) {
    const type = tokens[i]?.[0]
    if (type === TokenType.Function || type === TokenType.OpenParen) depth++
    else if (type === TokenType.CloseParen && --depth === 0) return i
  }
  return -1
}

const SPACES: Readonly<Partial<Record<Notation, Space>>> = {
  rgb: 'rgb',
  rgba: 'rgb',
  hsl: 'hsl',
  hsla: 'hsl',
  hwb: 'hwb',
  lab: 'lab',
  lch: 'lch',
  oklab: 'oklab',
  oklch: 'oklch',
}

interface Values {
  readonly channels: readonly CSSToken[]
  /** Empty where none is written. */
  readonly alpha: readonly CSSToken[]
}

/** `v, v, v` or `v, v, v, a`: only rgb() and hsl() have it (CSS Color 4 §5.1, §7). */
function legacyValues(notation: Notation, words: readonly CSSToken[]): Values | null {
  if (!/^(?:rgb|hsl)a?$/.test(notation) || words.length < 5) return null
  if (words[3]?.[0] !== TokenType.Comma) return null
  const channels = [words[0], words[2], words[4]] as CSSToken[]
  if (words.length === 5) return { channels, alpha: [] }
  return words[5]?.[0] === TokenType.Comma && words.length > 6 ? { channels, alpha: words.slice(6) } : null
}

/** `v v v` or `v v v / a`. */
function modernValues(words: readonly CSSToken[]): Values | null {
  if (words.length === 3) return { channels: words, alpha: [] }
  const slash = words[3]
  if (words.length < 5 || slash?.[0] !== TokenType.Delim || slash[4].value !== '/') return null
  return { channels: words.slice(0, 3), alpha: words.slice(4) }
}

/**
 * A variable of CSS, Sass (`$a`, `#{$a}`), Less (`@a`) or a script (`${a}`, or what stands between two strings: `" + a + "`), or a calculation: written
 * out elsewhere, or only when the page is shown.
 */
function isOpenAlpha([first, second, ...rest]: readonly CSSToken[]): boolean {
  if (first?.[0] === TokenType.String) return second === undefined && /^["']\s*\+[\s\S]*\+\s*["']$/.test(first[1])
  if (first?.[0] === TokenType.Function) return /^(?:var|env|calc|min|max|clamp)$/i.test(first[4].value)
  if (first?.[0] === TokenType.AtKeyword) return second === undefined
  if (first?.[0] !== TokenType.Delim || second === undefined) return false
  if (first[4].value === '$' && second[0] === TokenType.Ident) return rest.length === 0
  return /^[#@$]$/.test(first[4].value) && second[0] === TokenType.OpenCurly
}

/** rgb(), hsl() and hwb() resolve inside sRGB (CSS Color 4 §5, §7, §8), unlike color(srgb ...). */
function clampLegacy(space: Space, notation: Notation, color: Color): Color {
  if (notation === 'color' || (space !== 'rgb' && space !== 'hsl' && space !== 'hwb')) return color
  const clamp = (v: number) => Math.min(1, Math.max(0, v))
  return { r: clamp(color.r), g: clamp(color.g), b: clamp(color.b), alpha: color.alpha }
}

function readAlpha([token, ...more]: readonly CSSToken[]): number | null {
  if (token === undefined || more.length > 0) return null
  if (token[0] === TokenType.Ident) return token[4].value.toLowerCase() === 'none' ? 0 : null
  if (token[0] !== TokenType.Number && token[0] !== TokenType.Percentage) return null
  const value = token[0] === TokenType.Percentage ? token[4].value / 100 : token[4].value
  return Math.min(1, Math.max(0, value))
}
