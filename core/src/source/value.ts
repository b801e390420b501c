import { type CSSToken, TokenType, tokenize } from '@csstools/css-tokenizer'
import { COLOR_FUNCTIONS, type ColorLiteral, functionLiteral, hexLiteral, nameLiteral } from '../color/literal.ts'
import { COLOR_KEYWORDS, COLOR_NAMES } from '../color/names.ts'
import { findInOldFilter, isOldFilter } from './old-filter.ts'
import type { Takes } from './property.ts'

/** A color or color keyword within one value; offsets within the value's text. */
export interface ValueHit {
  readonly start: number
  readonly end: number
  readonly found: ColorLiteral | { readonly keyword: string }
  /** The functions around it, outermost first, lower case. */
  readonly functions: readonly string[]
}

/** Functions whose bare words can only be colors, whatever the property. */
const COLOR_TAKING =
  /gradient$|^(?:color-mix|light-dark|contrast-color|drop-shadow|from|to|color-stop|rgba?|hsla?|hwb|lab|lch|oklab|oklch)$/

/** Functions that hold no color: their text is an address, a name or a number. */
const OPAQUE =
  /^(?:url|src|attr|counters?|env|calc|min|max|clamp|format|local|tech|symbols|path|element|string|target-)/

/** Every color written out in one value, in its order. Linear in the length of the value. */
export function findInValue(value: string, takes: Takes): ValueHit[] {
  if (takes === 'none') return []
  if (isOldFilter(value)) return takes === 'color' ? findInOldFilter(value) : []
  if (!mayHoldColor(value)) return []
  const tokens = tokenize({ css: value })
  const brackets = matchBrackets(tokens)
  const hits: ValueHit[] = []
  const open: OpenFunction[] = []
  const wordsAreColors = takes === 'color' || (takes === 'custom' && isColorList(tokens))
  const hexIsColor = takes !== 'image'

  const push = (start: number, end: number, found: ValueHit['found']) =>
    hits.push({ start, end, found, functions: open.at(-1)?.path ?? [] })

  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as CSSToken
    const inside = open.at(-1)
    switch (token[0]) {
      case TokenType.Function: {
        const name = token[4].value.toLowerCase()
        const { close, leaf } = brackets.get(i) ?? { close: tokens.length - 1, leaf: false }
        if (OPAQUE.test(name)) {
          i = close
          break
        }
        const literal =
          leaf && COLOR_FUNCTIONS.has(name) && (hexIsColor || inside)
            ? functionLiteral(name, tokens.slice(i + 1, close), token[2])
            : null
        if (literal) {
          push(token[2], (tokens[close]?.[3] ?? token[3]) + 1, literal)
          i = close
        } else open.push(enter(inside, name))
        break
      }
      case TokenType.OpenParen:
        open.push(enter(inside, null))
        break
      case TokenType.CloseParen:
        open.pop()
        break
      case TokenType.Comma:
        if (inside) inside.commas++
        break
      case TokenType.Hash: {
        const literal = hexIsColor || inside ? hexLiteral(token[4].value) : null
        if (literal) push(token[2], token[3] + 1, literal)
        break
      }
      case TokenType.Ident: {
        const word = token[4].value.toLowerCase()
        // The first argument of var() is a name, what follows its comma is a value; that of color() is a space.
        if ((inside?.name === 'var' && inside.commas === 0) || inside?.name === 'color') break
        if (!wordsAreColors && !inside?.takesColors) break
        if (isSigil(tokens[i - 1])) break
        const literal = nameLiteral(word)
        if (literal) push(token[2], token[3] + 1, literal)
        else if (COLOR_KEYWORDS.has(word)) push(token[2], token[3] + 1, { keyword: word })
        break
      }
    }
  }
  return hits
}

/** `$red` and `map.red` of Sass, `.red` of Less: names, whatever they are called. */
function isSigil(before: CSSToken | undefined): boolean {
  return before?.[0] === TokenType.Delim && (before[4].value === '$' || before[4].value === '.')
}

/** More functions around a color than anyone writes; deeper ones are not told, so that hostile depth costs no memory. */
const DEEPEST_PATH = 12

interface OpenFunction {
  /** null: a bare bracket. */
  readonly name: string | null
  /** Whether it, or one around it, holds nothing but colors as bare words. */
  readonly takesColors: boolean
  readonly path: readonly string[]
  commas: number
}

function enter(outer: OpenFunction | undefined, name: string | null): OpenFunction {
  const path = outer?.path ?? []
  return {
    name,
    takesColors: outer?.takesColors === true || (name !== null && COLOR_TAKING.test(name)),
    path: name === null || path.length >= DEEPEST_PATH ? path : [...path, name],
    commas: 0,
  }
}

/** For each function that is closed: the index of its closing bracket, and whether no other bracket stands in it. */
function matchBrackets(tokens: readonly CSSToken[]): Map<number, { close: number; leaf: boolean }> {
  const matched = new Map<number, { close: number; leaf: boolean }>()
  const open: { index: number; leaf: boolean }[] = []
  tokens.forEach(([type], index) => {
    if (type === TokenType.Function || type === TokenType.OpenParen) {
      const outer = open.at(-1)
      if (outer) outer.leaf = false
      open.push({ index, leaf: true })
    } else if (type === TokenType.CloseParen) {
      const start = open.pop()
      if (start) matched.set(start.index, { close: index, leaf: start.leaf })
    }
  })
  return matched
}

/** A cheap test, so that most values are never tokenized: a `#`, a bracket, an escape or a color word is needed for a color. */
function mayHoldColor(value: string): boolean {
  if (/[#(\\]/.test(value)) return true
  for (const [word] of value.matchAll(/[a-z]{3,}/gi)) {
    const lower = word.toLowerCase()
    if (COLOR_NAMES.has(lower) || COLOR_KEYWORDS.has(lower)) return true
  }
  return false
}

const LINE_WORDS = new Set(
  'solid dashed dotted double groove ridge inset outset none hidden thin medium thick auto'.split(' '),
)

/**
 * Whether the words of a custom property's value can only be colors: the whole value is one, or, as in a border or a shadow,
 * all that stands beside it are lengths, colors and words of border style.
 */
function isColorList(tokens: readonly CSSToken[]): boolean {
  let depth = 0
  let others = 0
  let words = 0
  for (const token of tokens) {
    if (token[0] === TokenType.Function || token[0] === TokenType.OpenParen) depth++
    else if (token[0] === TokenType.CloseParen) depth--
    if (depth > 0) continue
    if (token[0] === TokenType.Ident) {
      const word = token[4].value.toLowerCase()
      if (COLOR_NAMES.has(word) || COLOR_KEYWORDS.has(word)) words++
      else if (LINE_WORDS.has(word)) others++
      else return false
    } else if (token[0] === TokenType.Dimension || token[0] === TokenType.Number) others++
    else if (token[0] === TokenType.String || token[0] === TokenType.URL) return false
  }
  return words === 1 || others > 0
}
