import type { Range } from '../../text/range.ts'
import { nextOf } from './search.ts'

/** An attribute as written. Offsets count in the scanned text. */
export interface Attribute {
  /** In lower case in HTML. */
  readonly name: string
  readonly start: number
  readonly end: number
  /** What stands between the quotes, or all of an unquoted value; null: none is written. */
  readonly value: { readonly start: number; readonly end: number } | null
}

/** A start tag with all its attributes, repeated ones too: in a template each may stand in a branch of its own. */
export interface StartTag {
  /** In lower case in HTML. */
  readonly name: string
  readonly start: number
  readonly end: number
  readonly attributes: readonly Attribute[]
  readonly selfClosing: boolean
}

/** Takes the parts of a page or drawing in the order of its text. Ranges are half-open. */
export interface MarkupHandler {
  startTag(tag: StartTag): void
  endTag(name: string): void
  /** The content of an element that holds text only: `style`, `script`, `title`, ... */
  rawText(tag: StartTag, start: number, end: number): void
  /** Text between tags, CDATA sections too. */
  text(start: number, end: number): void
  /** The inside of a comment, and where the comment begins. */
  comment(start: number, end: number, opening: number): void
  /** The inside of `<!DOCTYPE ...>`. */
  declaration(start: number, end: number): void
  /** Whether the place belongs to a drawing or formula within a page, where CDATA sections are text. */
  isForeign(): boolean
}

const GREATER = 62
const SLASH = 47
const EQUALS = 61
const DOUBLE = 34
const SINGLE = 39
const SPACE = 32

/** Elements of HTML whose content is text up to their end tag (HTML §13.2.6.2; `noscript` is read as markup: some visitor has no scripts). */
const RAW_HTML = new Set('script style textarea title xmp iframe noembed noframes plaintext'.split(' '))
const RAW_XML = new Set(['script', 'style'])

/**
 * Walks markup and reports its parts: HTML as its standard's tokenizer reads it (§13.2.5), XML by its own rules. Builds no tree, linear.
 * Recovers where a browser would lose the rest of the page: a quote that nothing closes is taken as plain text.
 * @param text with template tags blanked
 * @param xml whether names keep their case, and sections and self-closing tags mean what they say everywhere
 * @param blanked those tags by where they start: in a value without quotes they are no white space
 */
export function scanMarkup(
  text: string,
  start: number,
  end: number,
  handler: MarkupHandler,
  xml: boolean,
  blanked: ReadonlyMap<number, Range> = NOTHING,
): void {
  const quoteAfter = { [DOUBLE]: nextOf(text, '"'), [SINGLE]: nextOf(text, "'") }
  const greaterAfter = nextOf(text, '>')
  const squareAfter = nextOf(text, '[')
  const closeSquareAfter = nextOf(text, ']')
  const raw = xml ? RAW_XML : RAW_HTML
  let at = start
  let textStart = start

  const flush = (to: number) => {
    if (to > textStart) handler.text(textStart, to)
  }
  /** Where a construct ends whose closing sign was looked for; the whole rest where there is none. */
  const endOr = (found: number) => (found < 0 || found > end ? end : found)

  while (at < end) {
    const open = text.indexOf('<', at)
    if (open < 0 || open >= end) break
    const next = text.charCodeAt(open + 1)
    if (isLetter(next)) {
      flush(open)
      const tag = readTag(open)
      at = tag.end
      handler.startTag(tag)
      if (raw.has(tag.name) && !(tag.selfClosing && (xml || handler.isForeign()))) {
        const close = endOfRaw(text, tag.name, at, end)
        handler.rawText(tag, at, close)
        at = close
      }
    } else if (next === SLASH && isLetter(text.charCodeAt(open + 2))) {
      flush(open)
      const nameEnd = endOfName(open + 2)
      handler.endTag(nameOf(open + 2, nameEnd))
      at = Math.min(end, endOr(greaterAfter(nameEnd)) + 1)
    } else if (text.startsWith('<!--', open)) {
      flush(open)
      const { inner, after } = commentEnd(open)
      handler.comment(open + 4, Math.max(open + 4, inner), open)
      at = after
    } else if (text.startsWith('<![CDATA[', open) && (xml || handler.isForeign())) {
      flush(open)
      const close = endOr(text.indexOf(']]>', open + 9))
      handler.text(open + 9, close)
      at = Math.min(end, close + 3)
    } else if (next === 33 || next === 63 || next === SLASH) {
      flush(open)
      const close = endOr(next === 33 && xml ? endOfDeclaration(open) : greaterAfter(open + 2))
      if (next === 33) handler.declaration(open + 2, close)
      at = Math.min(end, close + 1)
    } else {
      at = open + 1
      continue
    }
    textStart = at
  }
  flush(end)

  function endOfName(from: number): number {
    let i = from
    for (; i < end; i++) {
      const code = text.charCodeAt(i)
      if (code <= SPACE || code === SLASH || code === GREATER) break
    }
    return i
  }

  function nameOf(from: number, to: number): string {
    const name = text.slice(from, to)
    return xml ? name : name.toLowerCase()
  }

  function readTag(open: number): StartTag {
    let i = endOfName(open + 1)
    const name = nameOf(open + 1, i)
    const attributes: Attribute[] = []
    for (;;) {
      // A slash within an unquoted value is a part of it.
      const reached = i
      while (i < end && (text.charCodeAt(i) <= SPACE || text.charCodeAt(i) === SLASH)) i++
      if (i >= end) return { name, start: open, end, attributes, selfClosing: false }
      if (text.charCodeAt(i) === GREATER) {
        return {
          name,
          start: open,
          end: i + 1,
          attributes,
          selfClosing: i > reached && text.charCodeAt(i - 1) === SLASH,
        }
      }
      const from = i
      i++
      for (; i < end; i++) {
        const code = text.charCodeAt(i)
        if (code <= SPACE || code === SLASH || code === GREATER || code === EQUALS) break
      }
      const attribute = nameOf(from, i)
      let after = i
      while (after < end && text.charCodeAt(after) <= SPACE) after++
      if (text.charCodeAt(after) !== EQUALS || after >= end) {
        attributes.push({ name: attribute, start: from, end: i, value: null })
        continue
      }
      i = after + 1
      while (i < end && text.charCodeAt(i) <= SPACE && !blanked.has(i)) i++
      const quote = text.charCodeAt(i)
      if (i < end && (quote === DOUBLE || quote === SINGLE)) {
        const close = quoteAfter[quote](i + 1)
        if (close < 0 || close >= end) return { name, start: open, end: i + 1, attributes, selfClosing: false }
        attributes.push({ name: attribute, start: from, end: close + 1, value: { start: i + 1, end: close } })
        i = close + 1
        continue
      }
      const valueStart = i
      while (i < end) {
        const past = blanked.get(i)?.end
        const code = text.charCodeAt(i)
        if (past === undefined && (code <= SPACE || code === GREATER)) break
        i = Math.min(end, past ?? i + 1)
      }
      attributes.push({ name: attribute, start: from, end: i, value: { start: valueStart, end: i } })
    }
  }

  /** `<!-->` and `<!--->` are comments too, and `--!>` ends one (HTML §13.2.5.43 ff.). */
  function commentEnd(open: number): { inner: number; after: number } {
    if (!xml && text.startsWith('>', open + 4)) return { inner: open + 4, after: open + 5 }
    if (!xml && text.startsWith('->', open + 4)) return { inner: open + 4, after: open + 6 }
    COMMENT_END.lastIndex = open + 4
    const match = COMMENT_END.exec(text)
    if (!match || match.index >= end) return { inner: end, after: end }
    return { inner: match.index, after: match.index + match[0].length }
  }

  /** A document type may hold declarations in square brackets (XML 1.0 §2.8). */
  function endOfDeclaration(open: number): number {
    const close = greaterAfter(open + 2)
    const bracket = squareAfter(open)
    if (bracket < 0 || bracket > close) return close
    const inner = closeSquareAfter(bracket)
    return inner < 0 ? close : greaterAfter(inner)
  }
}

const NOTHING: ReadonlyMap<number, Range> = new Map()

const COMMENT_END = /--!?>/g

function isLetter(code: number): boolean {
  const lower = code | 32
  return lower >= 97 && lower <= 122
}

/** Where the text of an element ends: before its end tag, or at the end of all. */
function endOfRaw(text: string, name: string, from: number, end: number): number {
  if (name === 'plaintext') return end
  if (name === 'script') return endOfScript(text, from, end)
  const sign = `</${name}`
  for (let at = text.indexOf('</', from); at >= 0 && at < end; at = text.indexOf('</', at + 2))
    if (text.slice(at, at + sign.length).toLowerCase() === sign && endsName(text, at + sign.length)) return at
  return end
}

/** Scripts may hide their own tags in comments of markup (HTML §13.2.5.20 ff.: script data double escaped). */
function endOfScript(text: string, from: number, end: number): number {
  const sign = /<!--|-->|<\/?script(?=[\s/>])/gi
  sign.lastIndex = from
  let state: 'plain' | 'escaped' | 'twice' = 'plain'
  for (let match = sign.exec(text); match && match.index < end; match = sign.exec(text)) {
    const found = match[0].toLowerCase()
    if (found === '</script') {
      if (state !== 'twice') return match.index
      state = 'escaped'
    } else if (found === '-->') state = 'plain'
    else if (found === '<!--' && state === 'plain') state = 'escaped'
    else if (found === '<script' && state === 'escaped') state = 'twice'
  }
  return end
}

function endsName(text: string, at: number): boolean {
  const code = text.charCodeAt(at)
  return Number.isNaN(code) || code <= SPACE || code === SLASH || code === GREATER
}
