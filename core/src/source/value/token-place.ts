import { type CSSToken, TokenType } from '@csstools/css-tokenizer'
import { COLOR_KEYWORDS, COLOR_NAMES } from '../../color/names.ts'

/** `color.` before `color.adjust( )` of Sass: the module that a function is called from. */
export function moduleOf(tokens: readonly CSSToken[], i: number): string {
  const [module, dot] = [tokens[i - 2], tokens[i - 1]]
  if (dot?.[0] !== TokenType.Delim || dot[4].value !== '.' || module?.[0] !== TokenType.Ident) return ''
  return `${module[4].value.toLowerCase()}.`
}

/** `$red` and `map.red` of Sass, `.red` of Less, `--red`: names, whatever they are called. */
export function isSigil(before: CSSToken | undefined): boolean {
  return before?.[0] === TokenType.Delim && (before[4].value === '$' || before[4].value === '.')
}

/** The nearest token before or behind that is no white space. */
function beside(tokens: readonly CSSToken[], i: number, step: 1 | -1): CSSToken | undefined {
  return tokens[tokens[i + step]?.[0] === TokenType.Whitespace ? i + 2 * step : i + step]
}

/** Whether a word is all of an argument, of an item of a list, or of the whole. */
export function isAlone(tokens: readonly CSSToken[], i: number): boolean {
  const [before, after] = [beside(tokens, i, -1), beside(tokens, i, 1)]
  const isBegun =
    before === undefined ||
    before[0] === TokenType.Function ||
    before[0] === TokenType.OpenParen ||
    before[0] === TokenType.Comma ||
    // `@each $c in red, tan`.
    (before[0] === TokenType.Ident && before[4].value === 'in')
  return isBegun && (after === undefined || ENDS.has(after[0]))
}

const ENDS: ReadonlySet<TokenType> = new Set([
  TokenType.Comma,
  TokenType.CloseParen,
  TokenType.Semicolon,
  TokenType.CloseCurly,
  TokenType.EOF,
])

/** Whether a word is all of the last argument. */
export function isLast(tokens: readonly CSSToken[], i: number): boolean {
  return beside(tokens, i, 1)?.[0] === TokenType.CloseParen && isAlone(tokens, i)
}

/** `== red`, `!= red`, `= red` of a guard. */
export function isCompared(tokens: readonly CSSToken[], i: number): boolean {
  const before = beside(tokens, i, -1)
  return before?.[0] === TokenType.Delim && before[4].value === '='
}

/** Whether a word is all that follows a colon: `("primary": blue, ...)`, `($c: red)`. */
export function isNamedValue(tokens: readonly CSSToken[], i: number): boolean {
  const after = beside(tokens, i, 1)
  return beside(tokens, i, -1)?.[0] === TokenType.Colon && after !== undefined && ENDS.has(after[0])
}

/** For each function that is closed: the index of its closing bracket. */
export function matchBrackets(tokens: readonly CSSToken[]): Map<number, number> {
  const matched = new Map<number, number>()
  const open: number[] = []
  tokens.forEach(([type], index) => {
    if (type === TokenType.Function || type === TokenType.OpenParen) open.push(index)
    else if (type === TokenType.CloseParen) {
      const start = open.pop()
      if (start !== undefined) matched.set(start, index)
    }
  })
  return matched
}

const LINE_WORDS = new Set(
  'solid dashed dotted double groove ridge inset outset none hidden thin medium thick auto'.split(' '),
)

/**
 * Whether the words of a custom property's value can only be colors: the whole value is one, or, as in a border or a shadow,
 * all that stands beside it are lengths, colors and words of border style.
 */
export function isColorList(tokens: readonly CSSToken[]): boolean {
  let depth = 0
  let others = 0
  let words = 0
  let functions = 0
  for (const token of withoutFlags(tokens)) {
    if (token[0] === TokenType.Function || token[0] === TokenType.OpenParen) {
      depth++
      functions++
    } else if (token[0] === TokenType.CloseParen) depth--
    if (depth > 0) continue
    if (token[0] === TokenType.Ident) {
      const word = token[4].value.toLowerCase()
      if (COLOR_NAMES.has(word) || COLOR_KEYWORDS.has(word)) words++
      else if (LINE_WORDS.has(word)) others++
      else return false
    } else if (token[0] === TokenType.Dimension || token[0] === TokenType.Number) others++
    else if (token[0] === TokenType.String || token[0] === TokenType.URL) return false
  }
  return (words === 1 && functions === 0) || others > 0
}

/** `!default` and `!global` of Sass, and what else stands behind an exclamation mark, say nothing of the value. */
function withoutFlags(tokens: readonly CSSToken[]): readonly CSSToken[] {
  const flag = tokens.findIndex(([type, raw]) => type === TokenType.Delim && raw === '!')
  return flag < 0 ? tokens : tokens.slice(0, flag)
}

/** Whether a value is a list of color names and nothing else: they may be meant as names. */
export function isNameList(tokens: readonly CSSToken[]): boolean {
  const words = withoutFlags(tokens).filter(([type]) => !LISTED.has(type))
  return (
    words.length > 1 &&
    words.every((token) => token[0] === TokenType.Ident && COLOR_NAMES.has(token[4].value.toLowerCase()))
  )
}

const LISTED: ReadonlySet<TokenType> = new Set([
  TokenType.Whitespace,
  TokenType.Comment,
  TokenType.Comma,
  TokenType.OpenParen,
  TokenType.CloseParen,
  TokenType.EOF,
])
