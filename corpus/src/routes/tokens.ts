import { color } from '@csstools/css-color-parser'
import { parseComponentValue } from '@csstools/css-parser-algorithms'
import { type CSSToken, TokenType, tokenize } from '@csstools/css-tokenizer'
import { lexer } from 'css-tree'

/** One literal that the route takes for a color. */
export interface Hit {
  readonly start: number
  readonly raw: string
}

/**
 * First route: the tokens of CSS Syntax 3 of the whole file, each hash, word and function tried with the color parser that belongs to the
 * tokenizer. Which properties take a word for a color says the grammar of a third library. Knows nothing of our readers.
 * @param text CSS, or a sheet of a preprocessor with its `//` comments blanked
 */
export function colorsByTokens(text: string): Hit[] {
  const tokens = tokenize({ css: text })
  const hits: Hit[] = []
  let begin = 0
  for (let i = 0; i <= tokens.length; i++) {
    const token = tokens[i]
    if (token && ![TokenType.Semicolon, TokenType.OpenCurly, TokenType.CloseCurly].includes(token[0])) continue
    if (token?.[0] !== TokenType.OpenCurly) readDeclaration(tokens.slice(begin, i), text, hits)
    begin = i + 1
  }
  return hits
}

function readDeclaration(tokens: readonly CSSToken[], text: string, hits: Hit[]): void {
  const written = tokens.filter(([type]) => type !== TokenType.Comment && type !== TokenType.Whitespace)
  const colon = tokens.findIndex(([type]) => type === TokenType.Colon)
  const name = written.find(([type]) => type === TokenType.Ident)
  if (colon < 0 || !name || tokens.indexOf(name) > colon) return
  const property = String(name[1]).toLowerCase()
  const value = tokens.slice(colon + 1)
  const words = wordsThatAreColors(property, value)
  for (let i = 0; i < value.length; i++) {
    const [type, raw, start, end] = value[i] as CSSToken
    if (type === TokenType.Hash && isColor([value[i] as CSSToken])) hits.push({ start, raw })
    else if (type === TokenType.Ident && words(value, i) && isColor([value[i] as CSSToken])) hits.push({ start, raw })
    else if (type === TokenType.Function) {
      const close = closeOf(value, i)
      if (/^(?:url|src)\($/i.test(raw)) i = close
      else if (isColor(value.slice(i, close + 1))) {
        hits.push({ start, raw: text.slice(start, (value[close]?.[3] ?? end) + 1) })
        i = close
      }
    }
  }
}

function closeOf(tokens: readonly CSSToken[], from: number): number {
  let depth = 0
  for (let i = from; i < tokens.length; i++) {
    const type = tokens[i]?.[0]
    if (type === TokenType.Function || type === TokenType.OpenParen) depth++
    else if (type === TokenType.CloseParen && --depth === 0) return i
  }
  return tokens.length - 1
}

/** Keywords that stand for another color are no literals. */
const KEYWORD = /^(?:transparent|currentcolor|\w*text|canvas|field|highlight|mark|button\w+|accentcolor|selecteditem)$/i

/** A variable that stands for the alpha: the color is written out all the same. */
const VARIABLE_ALPHA = /([,/]\s*)var\([^()]*\)(?=\s*\)$)/i

/** Whether a text is one written-out color and nothing else. */
export function isColorText(text: string): boolean {
  return isColor(tokenize({ css: text }).slice(0, -1))
}

function isColor(tokens: CSSToken[]): boolean {
  if (tokens[0]?.[0] === TokenType.Ident && KEYWORD.test(tokens[0][1])) return false
  const text = tokens.map(([, raw]) => raw).join('')
  // A function of variables, or one that computes, is no literal.
  const css = text.replace(VARIABLE_ALPHA, '$11')
  if (/\(.*(?:var\(|\bfrom\b)|^(?:color-mix|light-dark|contrast-color)\(/is.test(css)) return false
  const value = parseComponentValue(tokenize({ css }))
  return value !== undefined && color(value) !== false
}

/** Tells for each word of a value whether the property's own grammar takes it for a color. */
function wordsThatAreColors(
  property: string,
  value: readonly CSSToken[],
): (tokens: readonly CSSToken[], i: number) => boolean {
  const text = value
    .map(([, raw]) => raw)
    .join('')
    .replace(/!\s*important\s*$/i, '')
  if (!value.some(([type, raw]) => type === TokenType.Ident && isColor([[type, raw, 0, 0, { value: raw }] as never])))
    return () => false
  const as = property.startsWith('--')
    ? ['color', 'border', 'box-shadow', 'background']
    : [property.replace(/^[*_]/, '')]
  const matches = as.some((name) => {
    const match = lexer.matchProperty(name, text)
    return match.matched !== null && JSON.stringify(match.matched).includes('"named-color"')
  })
  return (tokens, i) => matches || isInGradient(tokens, i)
}

function isInGradient(tokens: readonly CSSToken[], i: number): boolean {
  return tokens.some(
    ([type, raw], at) => type === TokenType.Function && /gradient\($/i.test(raw) && at < i && closeOf(tokens, at) > i,
  )
}
