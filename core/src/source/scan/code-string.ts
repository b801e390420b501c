import { parseLiteral } from '../../color/literal.ts'
import { COLOR_NAMES } from '../../color/names.ts'
import type { Range } from '../../text/range.ts'
import { type Embedded, part, within } from '../embedded.ts'

const ESCAPE = /\\(?:u\{([\da-f]{1,6})\}|u([\da-f]{4})|x([\da-f]{2})|(\r\n|[\s\S]))/gi
const SHORT: Readonly<Record<string, string>> = { n: '\n', r: '\r', t: '\t', b: '\b', f: '\f', v: '\v', '0': '\0' }

/** The content of a string of code, its escapes decoded, with the way back (ECMAScript; what JSON and PHP have is alike). */
export function codeString(at: Embedded, { start, end }: Range): Embedded {
  const raw = at.text.slice(start, end)
  if (!raw.includes('\\')) return part(at, start, end)
  let text = ''
  const offsets: number[] = []
  let kept = 0
  const keep = (to: number) => {
    for (let i = kept; i < to; i++) offsets.push(start + i)
    text += raw.slice(kept, to)
  }
  for (const match of raw.matchAll(ESCAPE)) {
    keep(match.index)
    const as = unescaped(match)
    for (let i = 0; i < as.length; i++) offsets.push(start + match.index)
    text += as
    kept = match.index + match[0].length
  }
  keep(raw.length)
  return within(at, text, (offset) => offsets[offset] ?? end)
}

function unescaped([, point, four, two, sign]: RegExpMatchArray): string {
  const hex = point ?? four ?? two
  if (hex !== undefined) {
    const code = Number.parseInt(hex, 16)
    return code > 0x10ffff ? '\uFFFD' : String.fromCodePoint(code)
  }
  if (sign === '\n' || sign === '\r\n' || sign === '\r') return ''
  return SHORT[sign ?? ''] ?? sign ?? ''
}

/** What kind of color a text is from end to end, white space around it aside; null: none. */
export function wholeColor(text: string): 'written' | 'short-hex' | 'name' | null {
  if (text.length > LONGEST) return null
  const value = text.trim()
  if (value.startsWith('#')) {
    if (!/^#(?:[\da-f]{3,4}|[\da-f]{6}|[\da-f]{8})$/i.test(value)) return null
    return value.length < 6 ? 'short-hex' : 'written'
  }
  if (/^[a-z]+$/i.test(value)) return COLOR_NAMES.has(value.toLowerCase()) ? 'name' : null
  return /^[a-z]+\(/i.test(value) && parseLiteral(value) ? 'written' : null
}

/** Longer than any color. */
const LONGEST = 100

/** Whether a string holds markup that may paint. */
export function looksLikeMarkup(text: string): boolean {
  return /<[a-z!/]/i.test(text) && /(?:style|color|fill|stroke|bgcolor|content|values)\s*=|<style/i.test(text)
}

/** The declarations of a style attribute that a string holds without the tag around it: `' style="color: #fff"'`; null: none. */
export function styleIn(content: Embedded): Embedded | null {
  const match = /(?:^|\s)style\s*=\s*(["'])([^"']*)/.exec(content.text)
  if (!match || content.text.includes('<')) return null
  const [whole, , value = ''] = match
  return within(content, value, (offset) => match.index + whole.length - value.length + offset)
}

/** Whether a string holds CSS: declarations, or rules. */
export function looksLikeCss(text: string): boolean {
  return /(?:^|[;{\s"'])[a-z-]*(?:color|background|border|outline|shadow|fill|stroke)[a-z-]*\s*:\s*[^\s;,}]/i.test(text)
}
