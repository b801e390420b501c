import type { Range } from '../../text/range.ts'
import { nextOf } from './search.ts'

/** How strings and comments are written in the code of one kind of tag. */
export interface CodeSyntax {
  /** Comments to the end of the line. */
  readonly lineComments: readonly ('//' | '#')[]
  readonly blockComments: boolean
  /** Whether a string in plain quotes may go on over lines. */
  readonly longStrings: boolean
  /** Ends the code wherever it stands outside strings, in comments of a line too. */
  readonly close: string | null
}

export const PHP: CodeSyntax = { lineComments: ['//', '#'], blockComments: true, longStrings: true, close: '?>' }
export const RUBY: CodeSyntax = { lineComments: ['#'], blockComments: false, longStrings: true, close: null }
export const SCRIPT: CodeSyntax = { lineComments: ['//'], blockComments: true, longStrings: false, close: null }
/** Tags of template languages: a word, its arguments, filters. */
export const EXPRESSION: CodeSyntax = { lineComments: [], blockComments: false, longStrings: true, close: null }

const SIGN = /["'`#]|\/\/|\/\*|\?>|<<<[ \t]*(["']?)([A-Za-z_]\w*)\1\r?\n/g

/**
 * Walks code and reports the content of its strings, without reading the code itself. Linear; a quote that nothing closes is plain text.
 * @returns where its closing sign stands, or `end`
 */
export function walkCode(
  text: string,
  start: number,
  end: number,
  syntax: CodeSyntax,
  onString: (content: Range, quote: string) => void,
): number {
  const lineEnd = nextOf(text, '\n')
  const closeSign = syntax.close === null ? () => -1 : nextOf(text, syntax.close)
  let reached = start
  SIGN.lastIndex = start
  for (let match = SIGN.exec(text); match && match.index < end; match = SIGN.exec(text)) {
    const [sign] = match
    const at = match.index
    // Whoever is called back may use the same expression.
    const goOn = (from: number) => {
      SIGN.lastIndex = reached = from
    }
    reached = at + sign.length
    if (sign === syntax.close) return at
    if (sign === '"' || sign === "'" || sign === '`') {
      const close = closeOfString(text, at, end, syntax.longStrings || sign === '`')
      if (close < 0) {
        if (syntax.longStrings) break
        continue
      }
      onString({ start: at + 1, end: close }, sign)
      goOn(close + 1)
    } else if (sign === '/*') {
      if (!syntax.blockComments) continue
      const close = text.indexOf('*/', at + 2)
      if (close < 0 || close > end) break
      goOn(close + 2)
    } else if (sign === '//' || sign === '#') {
      if (!syntax.lineComments.includes(sign)) continue
      const line = lineEnd(at)
      const closing = closeSign(at)
      const stop = line < 0 ? end : line
      goOn(closing >= 0 && closing < stop ? closing : stop)
    } else if (sign.startsWith('<<<') && syntax === PHP) {
      const from = at + sign.length
      const close = new RegExp(String.raw`^[ \t]*${match[2]}\b`, 'm')
      const inner = close.exec(text.slice(from, end))
      if (!inner) break
      onString({ start: from, end: from + inner.index }, '<<<')
      goOn(from + inner.index + inner[0].length)
    }
  }
  const closing = closeSign(reached)
  return closing < 0 || closing > end ? end : closing
}

function closeOfString(text: string, open: number, end: number, long: boolean): number {
  const quote = text[open]
  for (let at = open + 1; at < end; at++) {
    const sign = text[at]
    if (sign === quote) return at
    if (sign === '\\') at++
    else if (!long && (sign === '\n' || sign === '\r')) return -1
  }
  return -1
}
