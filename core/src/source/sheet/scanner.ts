import type { FindingCode } from '../../text/finding.ts'
import { nextOf, skipString } from '../scan/search.ts'

/** Takes the parts of a stylesheet in the order of its text. All offsets count in that text; ranges are half-open, without white space at their ends. */
export interface SheetHandler {
  /** A comment between statements, its marks included. `remark`: it stands behind code on its line. */
  comment(start: number, end: number, remark: boolean): void
  /**
   * A block begins; its head (a selector list, an at-rule, ...) may be empty. `colon`: the first one of the head outside brackets, or -1. `brace`:
   * the one that opens it, where there is one.
   */
  open(start: number, end: number, colon: number, brace?: number): void
  /** `brace`: the one that closes it, where there is one. */
  close(brace?: number): void
  /** A statement without a block: a declaration, an at-rule, a call. `colon` as above. */
  statement(start: number, end: number, colon: number): void
  fault(code: FindingCode, at: number): void
}

const SPACE = 32
const DOUBLE = 34
const SINGLE = 39
const OPEN_PAREN = 40
const CLOSE_PAREN = 41
const STAR = 42
const MINUS = 45
const SLASH = 47
const COLON = 58
const SEMICOLON = 59
const LESS_THAN = 60
const OPEN_SQUARE = 91
const BACKSLASH = 92
const CLOSE_SQUARE = 93
const LOWER_L = 108
const OPEN_CURLY = 123
const CLOSE_CURLY = 125
const LF = 10
const CR = 13

/** 1 for the units that mean something to the scanner wherever they stand. */
const SPECIAL = new Uint8Array(128)
for (const unit of `"'()/:;[\\]{}`) SPECIAL[unit.charCodeAt(0)] = 1

/**
 * Walks a stylesheet with braces (CSS Syntax 3, and what SCSS and Less add) and reports its statements. Keeps no tree, so that time is
 * linear and memory does not grow with the text. Recovers where browsers would lose the rest of the sheet: a bracket that no
 * other closes before its block ends is taken as plain text.
 * @param text with `//` comments already turned into block comments
 * @param interpolation the sign before a brace that is no block: `#` in SCSS, `@` in Less
 */
export function scanBraces(text: string, handler: SheetHandler, interpolation: '#' | '@' | null): void {
  const sign = interpolation === null ? -1 : interpolation.charCodeAt(0)
  const closeParen = nextOf(text, ')')
  const lineEnd = nextOf(text, '\n')
  /** Brackets that nothing closes: plain text. */
  const ignored = new Set<number>()
  /** Offsets of the brackets open in this statement. */
  const open: number[] = []
  /** Offsets of the braces of the blocks that are open. */
  const blocks: number[] = []
  let start = -1
  let colon = -1
  /** The comments behind which the statement has not gone on yet. */
  let comments = { start: -1, end: -1 }
  let i = 0

  for (;;) {
    if (start < 0) {
      while (i < text.length && text.charCodeAt(i) <= SPACE) i++
      // Marks around the sheets of very old pages (CSS Syntax 3: CDO and CDC).
      const code = text.charCodeAt(i)
      const mark = code === LESS_THAN ? '<!--' : code === MINUS ? '-->' : null
      if (mark && text.startsWith(mark, i)) {
        i += mark.length
        continue
      }
    }
    const ended = i >= text.length
    const code = ended ? CLOSE_CURLY : text.charCodeAt(i)
    if (code > 127 || SPECIAL[code] === 0) {
      if (start < 0) start = i
      i++
      while (i < text.length) {
        const next = text.charCodeAt(i)
        if (next <= 127 && SPECIAL[next] === 1) break
        i++
      }
      continue
    }
    if (code === SLASH) {
      if (text.charCodeAt(i + 1) === STAR) {
        const close = text.indexOf('*/', i + 2)
        if (close < 0) handler.fault('unclosed-comment', i)
        const after = close < 0 ? text.length : close + 2
        if (start < 0) handler.comment(i, after, isBehindCode(text, i))
        else comments = { start: trimmed(text, start, i) === comments.end ? comments.start : i, end: after }
        i = after
        continue
      }
    } else if (code === SEMICOLON) {
      if (open.length === 0) {
        if (start >= 0) handler.statement(start, endOf(text, start, i, comments), colon)
        start = colon = -1
        i++
        continue
      }
    } else if (code === OPEN_CURLY) {
      const isBlock =
        open.length === 0 &&
        (i === 0 || text.charCodeAt(i - 1) !== sign) &&
        (!isCustomValue(text, start, colon) || ignored.has(i))
      if (isBlock) {
        const from = start < 0 ? i : start
        handler.open(from, endOf(text, from, i, comments), colon, i)
        blocks.push(i)
        start = colon = -1
        i++
        continue
      }
      if (!ignored.has(i)) open.push(i)
    } else if (code === CLOSE_CURLY) {
      const inner = open.at(-1)
      if (inner !== undefined && !ended && text.charCodeAt(inner) === OPEN_CURLY) {
        open.pop()
        i++
        continue
      }
      if (inner !== undefined) {
        // Begins the statement anew, its open brackets taken as plain text. Each stretch of text is met at most twice.
        for (const at of open) {
          ignored.add(at)
          handler.fault('unclosed-block', at)
        }
        open.length = 0
        i = start
        start = colon = -1
        continue
      }
      if (start >= 0) handler.statement(start, endOf(text, start, i, comments), colon)
      start = colon = -1
      if (ended) break
      if (blocks.pop() === undefined) handler.fault('unexpected-close', i)
      else handler.close(i)
      i++
      continue
    } else if (code === COLON && colon < 0 && open.length === 0) colon = i

    if (start < 0) start = i
    if (code === DOUBLE || code === SINGLE) {
      const after = skipString(text, i)
      if (text.charCodeAt(after - 1) !== code || after - i < 2) handler.fault('unclosed-string', i)
      i = after
      continue
    }
    if (code === BACKSLASH) {
      i += 2
      continue
    }
    if (code === OPEN_PAREN) {
      const close = isBareUrl(text, i) ? closeParen(i) : -1
      if (close >= 0 && (lineEnd(i) < 0 || close < lineEnd(i))) i = close
      else if (!ignored.has(i)) open.push(i)
    } else if (code === OPEN_SQUARE) {
      if (!ignored.has(i)) open.push(i)
    } else if (code === CLOSE_PAREN || code === CLOSE_SQUARE) {
      const inner = open.at(-1)
      const pair = code === CLOSE_PAREN ? OPEN_PAREN : OPEN_SQUARE
      if (inner !== undefined && text.charCodeAt(inner) === pair) open.pop()
    }
    i++
  }
  const unclosed = blocks.at(-1)
  if (unclosed !== undefined) handler.fault('unclosed-block', unclosed)
  while (blocks.pop() !== undefined) handler.close()
}

/** Where the text that begins at `start` ends before `end`, white space behind it left out. */
export function trimmed(text: string, start: number, end: number): number {
  let at = Math.min(end, text.length)
  while (at > start && text.charCodeAt(at - 1) <= SPACE) at--
  return at
}

/** The same, comments behind it left out too. */
function endOf(text: string, start: number, end: number, comments: { start: number; end: number }): number {
  const at = trimmed(text, start, end)
  return at === comments.end && comments.start > start ? trimmed(text, start, comments.start) : at
}

/** Whether something other than a comment or the beginning of a block stands before `i` on its line. */
function isBehindCode(text: string, i: number): boolean {
  for (let at = i - 1; at >= 0; at--) {
    const code = text.charCodeAt(at)
    if (code === LF || code === CR || code === OPEN_CURLY) return false
    if (code > SPACE) return code !== SLASH
  }
  return false
}

/** The value of a custom property may hold braces (CSS Variables 1 §2). */
function isCustomValue(text: string, start: number, colon: number): boolean {
  return start >= 0 && colon >= 0 && text.charCodeAt(start) === MINUS && text.charCodeAt(start + 1) === MINUS
}

/** Whether the bracket at `i` opens an address without quotes. */
function isBareUrl(text: string, i: number): boolean {
  if ((text.charCodeAt(i - 1) | 32) !== LOWER_L || !/url$/i.test(text.slice(Math.max(0, i - 3), i))) return false
  let at = i + 1
  while (at < text.length && text.charCodeAt(at) <= SPACE) at++
  const code = text.charCodeAt(at)
  return code !== DOUBLE && code !== SINGLE
}
