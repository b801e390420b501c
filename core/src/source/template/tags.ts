import type { Range } from '../../text/range.ts'
import { type CodeSyntax, EXPRESSION, PHP, RUBY, SCRIPT, walkCode } from '../scan/code.ts'
import { nextOf, skipString } from '../scan/search.ts'

/** A tag of a template language. */
export interface Tag extends Range {
  /** What it holds between its signs. */
  readonly code: Range
  /** `output`: something is written in its place; `yaml`, `script`: front matter. */
  readonly kind: 'code' | 'output' | 'comment' | 'yaml' | 'script'
  readonly syntax: CodeSyntax
}

/** Whether a tag is all of an attribute's value in a component that has its code in braces: of such code everything is known that a script says. */
export function isBound(text: string, { start, end, kind, syntax }: Tag): boolean {
  if (kind !== 'output' || syntax !== SCRIPT || text[start] !== '{') return false
  const quote = /=\s{0,9}(["']?)$/.exec(text.slice(Math.max(0, start - 11), start))?.[1]
  return quote === '' ? /[\s/>]/.test(text[end] ?? '') : quote !== undefined && text[end] === quote
}

/** Front matter at the very beginning. */
const FRONT_MATTER = /^---[ \t]*\r?\n((?:[^\n]*\n)*?)---[ \t]*(?=\r?\n|$)/

const COMMON = ['{{', '{%', '{#', '{!!', '<?', '<%']
const OPENING = /\{\{\{|\{\{!--|\{\{--|\{\{|\{%|\{#|\{!!|<\?|<%--|<%/g
/** Blade's own blocks of code, beside what all have. */
const OPENING_BLADE = new RegExp(`${OPENING.source}|@php\\b(?!\\s*\\()`, 'g')
const OPENING_JSP = /<%--|<%|[$#]\{/g
const OPENING_RAZOR = /@\*|@(?:functions|code)?\s*\{|@\(/g
/** In components a comment of the markup is one for the code, too. */
const OPENING_VUE = /<!--|\{\{\{|\{\{/g
const OPENING_BRACES = /<!--|\{|<(style|script)\b/gi

/**
 * The template tags of a file, in their order, none within another. The language is known by the ending of its path; all that no other use of
 * their signs speaks against are looked for in any page or sheet. Linear.
 */
export function findTags(text: string, path: string): Tag[] {
  const ending = /\.(\w+)$/.exec(path)?.[1]?.toLowerCase() ?? ''
  const tags: Tag[] = []
  const front = text.startsWith('---') ? FRONT_MATTER.exec(text) : null
  let from = 0
  if (front) {
    from = front[0].length
    const start = front[0].indexOf('\n') + 1
    const code = { start, end: start + (front[1]?.length ?? 0) }
    tags.push({ start: 0, end: from, code, kind: ending === 'astro' ? 'script' : 'yaml', syntax: SCRIPT })
  }
  if (ending === 'svelte' || ending === 'astro') findBraces(text, from, tags)
  else if (ending === 'vue') findSigns(text, from, OPENING_VUE, EXPRESSION, tags)
  else if (ending === 'jsp' || ending === 'jspx') findSigns(text, from, OPENING_JSP, SCRIPT, tags)
  else if (ending === 'cshtml') findSigns(text, from, OPENING_RAZOR, SCRIPT, tags)
  else if (/\.blade\.php$/i.test(path)) findSigns(text, from, OPENING_BLADE, EXPRESSION, tags)
  else if (COMMON.some((sign) => text.includes(sign)))
    findSigns(text, from, OPENING, ending === 'erb' ? RUBY : ending === 'ejs' ? SCRIPT : EXPRESSION, tags)
  return tags
}

function findSigns(text: string, from: number, opening: RegExp, percent: CodeSyntax, tags: Tag[]): void {
  const next = new Map<string, (from: number) => number>()
  const find = (sign: string, after: number) => {
    let known = next.get(sign)
    if (!known) next.set(sign, (known = nextOf(text, sign)))
    return known(after)
  }
  const push = (start: number, kind: Tag['kind'], open: number, close: number, sign: number, syntax: CodeSyntax) => {
    const code = { start: Math.min(start + open, close), end: close }
    tags.push({ start, end: Math.min(text.length, close + sign), code, kind, syntax })
  }
  let unclosed = 0
  /** Whether a comment that begins may have an end. */
  let hasEnd = true
  opening.lastIndex = from
  for (let match = opening.exec(text); match; match = opening.exec(text)) {
    const [sign] = match
    const at = match.index
    const before = tags.length
    const until = (close: string, kind: Tag['kind'], syntax: CodeSyntax, open = sign.length) => {
      const end = find(close, at + open)
      if (end >= 0) push(at, kind, open, end, close.length, syntax)
    }
    const after = text[at + sign.length] ?? ''
    if (sign === '<!--') {
      const end = find('-->', at)
      if (end < 0) return
      opening.lastIndex = end
      continue
    }
    if (sign === '<?') {
      const open = /^<\?(?:php|=)?/i.exec(text.slice(at, at + 5))?.[0].length ?? 2
      const isXml = /^xml/i.test(text.slice(at + 2, at + 5))
      const end = isXml ? find('?>', at) : walkCode(text, at + open, text.length, PHP, () => {})
      const says = after === '=' || /^\s*(?:echo|print)\b/.test(text.slice(at + open, at + open + 20))
      if (end >= 0) push(at, isXml ? 'comment' : says ? 'output' : 'code', open, end, 2, PHP)
    } else if (sign === '{%') {
      const comment = hasEnd && /^\{%-?\s*comment\b/.test(text.slice(at, at + 40)) ? ENDCOMMENT : null
      if (comment) comment.lastIndex = at
      const end = comment?.exec(text)
      if (comment && !end) hasEnd = false
      if (end) push(at, 'comment', 2, end.index, end[0].length, EXPRESSION)
      else until('%}', 'code', EXPRESSION)
    } else if (sign === '{#') until('#}', 'comment', EXPRESSION)
    else if (sign === '{!!') until('!!}', 'output', PHP)
    else if (sign === '{{{') until('}}}', 'output', EXPRESSION)
    else if (sign === '{{!--' || sign === '{{--') until('--}}', 'comment', EXPRESSION)
    else if (sign === '{{')
      until('}}', after === '!' ? 'comment' : /[#/^>]/.test(after) ? 'code' : 'output', EXPRESSION)
    else if (sign === '<%--') until('--%>', 'comment', percent)
    else if (sign === '<%') {
      if (after === '%') continue
      const kind = after === '#' ? 'comment' : /[=:-]/.test(after) ? 'output' : 'code'
      until('%>', kind, percent, kind === 'output' ? 3 : 2)
    } else if (sign === '@*') until('*@', 'comment', SCRIPT)
    else if (sign === '@php') until('@endphp', 'code', PHP)
    else {
      const end = closeOfBrace(text, at + sign.length - 1)
      if (end < 0 && ++unclosed > MOST_UNCLOSED) return
      if (end >= 0)
        push(at, sign.startsWith('@') && sign.endsWith('{') ? 'code' : 'output', sign.length, end, 1, SCRIPT)
    }
    const tag = tags[before]
    opening.lastIndex = tag ? Math.max(tag.end, at + 1) : at + sign.length
  }
}

const ENDCOMMENT = /\{%-?\s*endcomment\s*-?%\}/g

/** Braces hold code everywhere but in style elements, scripts and comments. */
function findBraces(text: string, from: number, tags: Tag[]): void {
  let unclosed = 0
  OPENING_BRACES.lastIndex = from
  for (let match = OPENING_BRACES.exec(text); match; match = OPENING_BRACES.exec(text)) {
    const at = match.index
    if (match[0] !== '{') {
      const close = text.indexOf(match[1] === undefined ? '-->' : `</${match[1]}`, at)
      if (close < 0) return
      OPENING_BRACES.lastIndex = close
      continue
    }
    const end = closeOfBrace(text, at)
    if (end < 0 && ++unclosed > MOST_UNCLOSED) return
    if (end < 0) continue
    const kind = /[#/:@]/.test(text[at + 1] ?? '') ? 'code' : 'output'
    tags.push({ start: at, end: end + 1, code: { start: at + 1, end }, kind, syntax: SCRIPT })
    OPENING_BRACES.lastIndex = end + 1
  }
}

/** Longer than code in braces is written; what is not closed by then is plain text, so that hostile braces cost no time. */
const LONGEST_BRACES = 20_000
const MOST_UNCLOSED = 100

/** Where the bracket opened at `open` is closed, strings and brackets within it left out; -1: nowhere near. */
function closeOfBrace(text: string, open: number): number {
  const [opening, closing] = text[open] === '(' ? ['(', ')'] : ['{', '}']
  let depth = 0
  const stop = Math.min(text.length, open + LONGEST_BRACES)
  for (let at = open; at < stop; at++) {
    const sign = text[at]
    if (sign === '"' || sign === "'") at = skipString(text, at) - 1
    else if (sign === opening) depth++
    else if (sign === closing && --depth === 0) return at
  }
  return -1
}
