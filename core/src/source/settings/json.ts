import { createScanner, type SyntaxKind } from 'jsonc-parser'
import type { Embedded } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { codeString } from '../scan/code-string.ts'
import { asset } from '../source-link.ts'
import { readSetting } from './setting.ts'

/** Of the scanner's token kinds (an enumeration that exists for the compiler only). */
const OPEN_BRACE = 1 satisfies SyntaxKind.OpenBraceToken
const CLOSE_BRACE = 2 satisfies SyntaxKind.CloseBraceToken
const OPEN_BRACKET = 3 satisfies SyntaxKind.OpenBracketToken
const CLOSE_BRACKET = 4 satisfies SyntaxKind.CloseBracketToken
const COMMA = 5 satisfies SyntaxKind.CommaToken
const COLON = 6 satisfies SyntaxKind.ColonToken
const STRING = 10 satisfies SyntaxKind.StringLiteral
const END = 17 satisfies SyntaxKind.EOF

/** A path to an image or a sheet: an icon of a manifest, say. */
const FILE = /^[\w@%./-]{1,200}\.(?:css|m?js|png|jpe?g|gif|svg|webp|avif|ico|html?)(?:[?#].*)?$/i

/** Deeper keys are not told. */
const DEEPEST = 100

/** Reads JSON, with comments or not, broken or not: every string value that is wholly a color. */
export function readJson(at: Embedded, emitter: Emitter): void {
  const scanner = createScanner(at.text, true)
  /** The key that leads into each bracket that is open; null: none does. */
  const outer: (string | null)[] = []
  let key: string | null = null
  let last: { start: number; end: number } | null = null
  for (let token = scanner.scan() as number; token !== END; token = scanner.scan() as number) {
    switch (token) {
      case STRING: {
        flush()
        const start = scanner.getTokenOffset() + 1
        last = { start, end: Math.max(start, start + scanner.getTokenLength() - 2) }
        break
      }
      case COLON:
        if (last) key = at.text.slice(last.start, last.end)
        last = null
        break
      case OPEN_BRACE:
      case OPEN_BRACKET:
        flush()
        outer.push(key)
        key = null
        break
      case CLOSE_BRACE:
      case CLOSE_BRACKET:
        flush()
        outer.pop()
        key = null
        break
      case COMMA:
        flush()
        key = null
        break
    }
  }
  flush()

  function flush() {
    if (!last) return
    const { start, end } = last
    last = null
    // What no color begins with, and what is longer than any, is not looked at.
    if (end - start < 3 || end - start > 2000 || !/[#a-z\s\\./]/i.test(at.text[start] ?? '')) return
    const keys = outer.slice(-DEEPEST)
    const path = [...keys, key].filter((each) => each !== null)
    const value = codeString(at, { start, end })
    if (FILE.test(value.text)) emitter.link(value, 0, value.text.length, asset(value.text))
    else readSetting({ value, path }, emitter)
  }
}
