import { type CSSToken, TokenType, tokenize } from '@csstools/css-tokenizer'
import { type ChannelFunction, COLOR_FUNCTIONS, functionLiteral, hexLiteral, nameLiteral } from '../../color/literal.ts'
import { COLOR_KEYWORDS, COLOR_NAMES } from '../../color/names.ts'
import type { Range } from '../../text/range.ts'
import type { Confidence } from '../occurrence.ts'
import { hasFallback, holdsNoColor, isKnown, looksUp, makesColor, takesColorWords, takesList } from './functions.ts'
import { findInExpression, findInOldFilter, isExpression, isOldFilter } from './old-filter.ts'
import type { Takes } from './property.ts'
import {
  isAlone,
  isColorList,
  isCompared,
  isLast,
  isNamedValue,
  isNameList,
  isSigil,
  matchBrackets,
  moduleOf,
} from './token-place.ts'
import type { ComputedColor, ValueHit } from './value-hit.ts'

/**
 * Where a value of a preprocessor stands: `value`: in a declaration; `expression`: behind a directive that takes one; `call`: behind the name of a
 * mixin. null: it is no preprocessor's, and all functions are those of CSS.
 */
export type ProgramPlace = 'value' | 'expression' | 'call' | null

/** Every color in one value, in its order. Linear in the length of the value. */
export function findInValue(value: string, takes: Takes, program: ProgramPlace = null): ValueHit[] {
  if (takes === 'none') return []
  if (takes === 'color' && isOldFilter(value)) return findInOldFilter(value)
  if (isExpression(value)) return findInExpression(value)
  if (!mayHoldColor(value, takes, program)) return []
  if (ONLY_VARIABLE.test(value)) return []
  return onlyHex(value, takes) ?? findInTokens(tokenize({ css: value }), takes, program, bareRange(value))
}

/** `var(--x)` and nothing else: the commonest value that holds no color. */
const ONLY_VARIABLE = /^\s*var\(\s*--[\w-]+\s*\)\s*$/

/** The commonest value of all, `#fff`, read without tokenizing it. */
function onlyHex(value: string, takes: Takes): ValueHit[] | null {
  const digits = takes === 'image' ? undefined : /^\s*#([\da-f]+)\s*$/i.exec(value)?.[1]
  const literal = digits === undefined ? null : hexLiteral(digits)
  if (digits === undefined || !literal) return null
  const start = value.indexOf('#')
  return [
    { start, end: start + 1 + digits.length, found: literal, functions: [], confidence: 'certain', isWhole: true },
  ]
}

/** A value without white space around it and without `!important`. */
export function bareRange(value: string): Range {
  const bare = value.replace(/\s*!\s*important\s*$/i, '')
  return { start: bare.length - bare.trimStart().length, end: bare.trimEnd().length }
}

/** @param bare the value without what may stand around it */
function findInTokens(tokens: readonly CSSToken[], takes: Takes, program: ProgramPlace, bare: Range): ValueHit[] {
  const closes = matchBrackets(tokens)
  const hits: ValueHit[] = []
  const open: OpenFunction[] = []
  const wordsAreColors = takes === 'color' || (takes === 'custom' && isColorList(tokens))
  const hexIsColor = takes !== 'image'
  const isNames = program === 'value' && takes === 'custom' && isNameList(tokens)
  /** Square brackets that are open: they hold names. */
  let squares = 0

  const push = (start: number, end: number, found: ValueHit['found'], confidence: Confidence = 'certain') =>
    hits.push({
      start,
      end,
      found,
      functions: open.at(-1)?.path ?? [],
      confidence,
      isWhole: start === bare.start && end === bare.end,
    })

  /** How sure it is that a bare word is a color where it stands; null: it is none. */
  const confidenceOf = (i: number, inside: OpenFunction | undefined): Confidence | null => {
    const isText = takes === 'custom' || takes === 'unknown'
    if (isText && inside?.name !== 'var' && isNamedValue(tokens, i)) return 'likely'
    // What a function that nobody knows takes may be names.
    if (inside?.isUnknown) return takes === 'color' || isAlone(tokens, i) ? 'possible' : null
    if (takes === 'color' || inside?.takesColors) return 'certain'
    if (wordsAreColors) return 'likely'
    if (inside?.name && hasFallback(inside.name)) return inside.commas === 1 && isLast(tokens, i) ? 'likely' : null
    if (!isText) return null
    if (program !== null && isCompared(tokens, i)) return 'likely'
    if (inside?.name && takesList(inside.name)) return 'possible'
    if (isNames) return 'possible'
    const isArgument = program === 'expression' || (program !== null && takes === 'unknown' && inside !== undefined)
    return isArgument && isAlone(tokens, i) ? 'possible' : null
  }

  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as CSSToken
    const inside = open.at(-1)
    switch (token[0]) {
      case TokenType.Function: {
        const name = moduleOf(tokens, i) + token[4].value.toLowerCase()
        const close = closes.get(i) ?? tokens.length - 1
        if (holdsNoColor(name)) {
          i = close
          break
        }
        const isColor = COLOR_FUNCTIONS.has(name) && closes.has(i) && (hexIsColor || inside !== undefined)
        const literal =
          isColor && close - i <= LONGEST_LITERAL ? functionLiteral(name, tokens.slice(i + 1, close), token[2]) : null
        if (literal) {
          push(token[2], (tokens[close]?.[3] ?? token[3]) + 1, literal)
          i = close
        } else open.push(enter(inside, name, { at: i, close, hits: hits.length }, program !== null))
        break
      }
      case TokenType.OpenParen:
        open.push(enter(inside, null, null, false))
        break
      case TokenType.CloseParen: {
        const computed = open.pop()?.computed
        if (computed && computed.hits === hits.length && inside?.name) {
          const within = tokens.slice(computed.at + 1, Math.min(computed.close, computed.at + LONGEST_LITERAL))
          const start = (tokens[computed.at] as CSSToken)[2]
          if (within.some(isVariable))
            push(start, token[3] + 1, { computedBy: inside.name, channels: channelVariable(inside.name, within) })
        }
        break
      }
      case TokenType.Comma:
        if (inside) inside.commas++
        break
      case TokenType.OpenSquare:
        squares++
        break
      case TokenType.CloseSquare:
        squares--
        break
      case TokenType.Hash: {
        if (isName(inside)) break
        const [written] = HACKED_HEX.exec(token[1]) ?? [token[1]]
        const literal = hexIsColor || inside ? hexLiteral(written.slice(1)) : null
        if (literal) push(token[2], token[2] + written.length, literal)
        break
      }
      case TokenType.Ident: {
        const [written] = HACKED.exec(token[1]) ?? [token[1]]
        const word = written === token[1] ? token[4].value.toLowerCase() : written.toLowerCase()
        const end = token[2] + written.length
        if (squares > 0 || isName(inside) || inside?.name === 'color' || isSigil(tokens[i - 1])) break
        const confidence = confidenceOf(i, inside)
        if (confidence === null) break
        const literal = nameLiteral(word)
        if (literal) push(token[2], end, literal, confidence)
        else if (COLOR_KEYWORDS.has(word)) push(token[2], end, { keyword: word }, confidence)
        break
      }
    }
  }
  return hits
}

/** A word or digits before `\9`, `\9\0` or `\0/`, which only some old browsers read (common practice, no source); a blank behind belongs to the escape. */
const HACKED = /^[a-z]+(?=(?:\\[09])+(?:\s|$))/i
const HACKED_HEX = /^#[\da-f]{3,8}(?=(?:\\[09])+(?:\s|$))/i

/** More tokens than a color with all its spaces and a calculated alpha has; keeps nested functions linear. */
const LONGEST_LITERAL = 64

/** Whether what stands in brackets is a name: the first argument of `var()`, a key of a map. */
function isName(inside: OpenFunction | undefined): boolean {
  if (!inside?.name) return false
  return hasFallback(inside.name) ? inside.commas === 0 : looksUp(inside.name) && inside.commas > 0
}

function isVariable(token: CSSToken): boolean {
  if (token[0] === TokenType.Function) return token[4].value.toLowerCase() === 'var'
  return token[0] === TokenType.AtKeyword || (token[0] === TokenType.Delim && token[4].value === '$')
}

/** The variable that stands for all channels of a color function, an alpha beside it or not; null where there is none. */
function channelVariable(name: string, within: readonly CSSToken[]): ComputedColor['channels'] {
  const of = /^(?:rgb|hsl)a$/.test(name) ? name.slice(0, -1) : name
  if (!/^(?:rgb|hsl|hwb|lab|lch|oklab|oklch)$/.test(of)) return null
  const text = within
    .filter(([type]) => type !== TokenType.Comment)
    .map(([, raw]) => raw)
    .join('')
  const match = /^\s*(?:var\(\s*(--[^\s,()]+)\s*\)|#?\{?\s*([$@][\w-]+)\s*\}?|@\{([\w-]+)\})\s*(?:$|[,/])/.exec(text)
  if (!match) return null
  const variable = match[1] ?? match[2] ?? `@${match[3]}`
  // `rgb(var(--r), 1, 2)` has its channels one by one.
  const rest = text.slice(match[0].length)
  const alone = !match[0].endsWith(',') || !rest.includes(',') || /^[^,]*\([^)]*\)[^,]*$/.test(rest)
  return alone ? { name: variable, of: of as ChannelFunction } : null
}

/** More functions around a color than anyone writes; deeper ones are not told, so that hostile depth costs no memory. */
const DEEPEST_PATH = 12

interface OpenFunction {
  /** null: a bare bracket. */
  readonly name: string | null
  /** Whether it, or one around it, holds nothing but colors as bare words. */
  readonly takesColors: boolean
  readonly path: readonly string[]
  /** For the outermost function that makes a color: its tokens, and how many hits stood before it. */
  readonly computed: { readonly at: number; readonly close: number; readonly hits: number } | null
  readonly inComputed: boolean
  /** Whether it, or one around it, is a function of a preprocessor of which nobody knows what it takes. */
  readonly isUnknown: boolean
  commas: number
}

/** @param isProgram whether a preprocessor may have functions of any name */
function enter(
  outer: OpenFunction | undefined,
  name: string | null,
  tokens: OpenFunction['computed'],
  isProgram: boolean,
): OpenFunction {
  const path = outer?.path ?? []
  const inComputed = outer !== undefined && (outer.inComputed || outer.computed !== null)
  return {
    name,
    takesColors: outer?.takesColors === true || (name !== null && takesColorWords(name)),
    path: name === null || path.length >= DEEPEST_PATH ? path : [...path, name],
    computed: !inComputed && name !== null && makesColor(name) ? tokens : null,
    inComputed,
    isUnknown: outer?.isUnknown === true || (isProgram && name !== null && !isKnown(name)),
    commas: 0,
  }
}

/** A cheap test, so that most values are never tokenized: a `#`, a bracket, an escape or a color word is needed for a color. */
function mayHoldColor(value: string, takes: Takes, program: ProgramPlace): boolean {
  if (/[#(\\]/.test(value)) return true
  if (takes !== 'color' && takes !== 'custom' && program === null && !value.includes(':')) return false
  for (const [word] of value.matchAll(/[a-z]{3,}/gi)) {
    const lower = word.toLowerCase()
    if (COLOR_NAMES.has(lower) || COLOR_KEYWORDS.has(lower)) return true
  }
  return false
}
