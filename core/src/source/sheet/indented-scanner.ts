import { nextOf, skipString } from '../scan/search.ts'
import { type SheetHandler, trimmed } from './scanner.ts'

/** What one language that is written by indentation does differently. */
export interface IndentedLanguage {
  /** Whether braces and semicolons may be written too. */
  readonly braces: boolean
  /** Where the value of a declaration begins that has no colon (the sign before it), counted in the line; -1: it is none. */
  separatorOf(line: string): number
}

/** A block that is open: it ends before a line that is indented no deeper, or at its brace. */
interface Open {
  readonly indent: number
  readonly brace: boolean
}

/**
 * Walks a sheet whose blocks are told by indentation and reports its statements, by its words alone: what lines mean together is not known. A
 * line ends at its end, but for one within brackets or behind a comma. Linear, keeps no tree.
 * @param text with `//` comments already turned into block comments
 */
export function scanIndented(text: string, handler: SheetHandler, language: IndentedLanguage): void {
  const open: Open[] = []
  const nextClose = [nextOf(text, ')'), nextOf(text, ']')]
  const closesSoon = (at: number) => nextClose.some((next) => next(at) >= 0 && next(at) - at < SOON)
  const close = () => {
    open.pop()
    handler.close()
  }
  for (let i = 0; i < text.length; ) {
    const lineStart = i
    while (i < text.length && (text[i] === ' ' || text[i] === '\t')) i++
    const indent = i - lineStart
    if (i >= text.length) break
    if (text[i] === '\n' || text[i] === '\r' || text[i] === '\f') {
      i++
      continue
    }
    if (text.startsWith('/*', i)) {
      const end = text.indexOf('*/', i + 2)
      if (end < 0) handler.fault('unclosed-comment', i)
      const after = end < 0 ? text.length : end + 2
      handler.comment(i, after, false)
      i = after
      continue
    }
    while (open.at(-1)?.brace === false && (open.at(-1)?.indent ?? 0) >= indent) close()
    i = readLine(i, indent)
  }
  while (open.length > 0) close()

  /** Reports the statements of one line and returns where it ends. */
  function readLine(from: number, indent: number): number {
    let start = from
    for (let at = from; ; ) {
      const end = pieceEnd(text, at, language.braces, closesSoon)
      const sign = text[end]
      const last = trimmed(text, start, withoutComment(text, start, end))
      if (language.braces && sign === '{') {
        if (last > start) report('open', start, last)
        else handler.open(start, start, -1)
        open.push({ indent, brace: true })
      } else if (last > start) {
        const deeper = sign !== ';' && sign !== '}' && indentAfter(text, end) > indent
        report(deeper ? 'open' : 'statement', start, last)
        if (deeper) open.push({ indent, brace: false })
      }
      if (language.braces && sign === '}') {
        while (open.at(-1)?.brace === false) close()
        if (open.length > 0) close()
        else handler.fault('unexpected-close', end)
      }
      if (sign !== ';' && sign !== '{' && sign !== '}') return end
      at = end + 1
      while (text[at] === ' ' || text[at] === '\t') at++
      if (at >= text.length || text[at] === '\n' || text[at] === '\r') return at
      start = at
    }
  }

  function report(kind: 'open' | 'statement', start: number, end: number): void {
    const line = text.slice(start, end)
    // `:color red` of the first Sass: the white space separates.
    const old = /^:[\w-]+[ \t]/.exec(line)
    if (old) {
      handler[kind](start + 1, end, start + old[0].length - 1)
      return
    }
    const separator = language.separatorOf(line)
    const colon = separator >= 0 ? separator : colonOf(line)
    handler[kind](start, end, colon < 0 ? -1 : start + colon)
  }
}

/** Where the statement that begins at `i` ends: at a line end outside brackets, or, with braces, at one of `;{}`. */
function pieceEnd(text: string, i: number, braces: boolean, closesSoon: (at: number) => boolean): number {
  let depth = 0
  let last = ''
  for (let at = i; at < text.length; at++) {
    const sign = text[at] as string
    if (sign === '"' || sign === "'") at = skipString(text, at) - 1
    else if (sign === '\\') at++
    else if (text.startsWith('/*', at)) {
      const end = text.indexOf('*/', at + 2)
      at = end < 0 ? text.length : end + 1
      continue
    } else if (sign === '(' || sign === '[') depth++
    else if (sign === ')' || sign === ']') depth = Math.max(0, depth - 1)
    else if (sign === '\n' || sign === '\r') {
      // A bracket that is not closed on the next few lines is a slip: a line ends at its end.
      if (last !== ',' && depth === 0) return at
      if (last !== ',' && !closesSoon(at)) return at
    } else if (braces && depth === 0 && (sign === ';' || sign === '{' || sign === '}')) {
      const name = sign === '{' ? /^\{[\w$.-]+(?:\([^)\n]*\))?\}/.exec(text.slice(at, at + 80)) : null
      // `.a-{name}`: an interpolation.
      if (!name) return at
      at += name[0].length - 1
    }
    if (sign.trim() !== '') last = sign
  }
  return text.length
}

/** How far away a bracket may close that is still taken for the one of this line, in UTF-16 units. */
const SOON = 2000

/** The end without the comment that stands behind a line. */
function withoutComment(text: string, start: number, end: number): number {
  const line = text.slice(start, trimmed(text, start, end))
  const comment = line.endsWith('*/') ? line.lastIndexOf('/*') : -1
  return comment > 0 ? start + comment : end
}

/** The first colon outside brackets and strings; -1: none. */
function colonOf(line: string): number {
  let depth = 0
  for (let at = 0; at < line.length; at++) {
    const sign = line[at]
    if (sign === '"' || sign === "'") at = skipString(line, at) - 1
    else if (sign === '(' || sign === '{') depth++
    else if (sign === ')' || sign === '}') depth--
    else if (sign === ':' && depth <= 0) return at
  }
  return -1
}

/** The indentation of the next line that is not empty. */
function indentAfter(text: string, from: number): number {
  let indent = 0
  let counting = false
  for (let at = from; at < text.length; at++) {
    const sign = text[at]
    if (sign === '\n' || sign === '\r') {
      counting = true
      indent = 0
    } else if (sign === ' ' || sign === '\t') indent += counting ? 1 : 0
    else if (text.startsWith('/*', at)) {
      const end = text.indexOf('*/', at)
      if (end < 0) return 0
      at = end + 1
    } else return counting ? indent : 0
  }
  return 0
}
