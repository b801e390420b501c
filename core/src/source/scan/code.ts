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
  // Cut out, so that nothing is looked for behind its end.
  const code = text.slice(start, end)
  const lineEnd = nextOf(code, '\n')
  const closeSign = syntax.close === null ? () => -1 : nextOf(code, syntax.close)
  const sign = new RegExp(SIGN)
  let reached = 0
  const goOn = (from: number) => {
    sign.lastIndex = reached = from
  }
  const found = (from: number, to: number, quote: string) => onString({ start: start + from, end: start + to }, quote)
  for (let match = sign.exec(code); match; match = sign.exec(code)) {
    const [written] = match
    const at = match.index
    reached = at + written.length
    if (written === syntax.close) return start + at
    if (written === '"' || written === "'" || written === '`') {
      const close = closeOfString(code, at, syntax.longStrings || written === '`')
      if (close < 0) {
        if (syntax.longStrings) break
        continue
      }
      found(at + 1, close, written)
      goOn(close + 1)
    } else if (written === '/*') {
      if (!syntax.blockComments) continue
      const close = code.indexOf('*/', at + 2)
      if (close < 0) break
      goOn(close + 2)
    } else if (written === '//' || written === '#') {
      if (!syntax.lineComments.includes(written)) continue
      const line = lineEnd(at)
      const closing = closeSign(at)
      const stop = line < 0 ? code.length : line
      goOn(closing >= 0 && closing < stop ? closing : stop)
    } else if (written.startsWith('<<<') && syntax === PHP) {
      const inner = new RegExp(String.raw`^[ \t]*${match[2]}\b`, 'm').exec(code.slice(reached))
      if (!inner) break
      found(reached, reached + inner.index, '<<<')
      goOn(reached + inner.index + inner[0].length)
    }
  }
  const closing = closeSign(reached)
  return closing < 0 ? end : start + closing
}

function closeOfString(code: string, open: number, long: boolean): number {
  const quote = code[open]
  for (let at = open + 1; at < code.length; at++) {
    const sign = code[at]
    if (sign === quote) return at
    if (sign === '\\') at++
    else if (!long && (sign === '\n' || sign === '\r')) return -1
  }
  return -1
}
