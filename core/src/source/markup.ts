import { decodeHTMLAttribute } from 'entities'
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5'
import type { Embedded, Emitter } from './emit.ts'
import { OUTSIDE_RULES, readStylesheet } from './stylesheet.ts'

/** Reads the style elements and style attributes of a page. Walks with a stack of its own, not by recursion. */
export function readMarkup(emitter: Emitter): void {
  const { text } = emitter.source
  const pending: Tree.ChildNode[] = [...parse(text, { sourceCodeLocationInfo: true }).childNodes]
  for (let node = pending.pop(); node; node = pending.pop()) {
    if (!('tagName' in node)) continue
    if ('content' in node) pending.push(...node.content.childNodes)
    pending.push(...node.childNodes)
    if (node.tagName === 'style') readStyleElement(node, text, emitter)
    const attribute = node.sourceCodeLocation?.attrs?.style
    if (attribute) {
      const value = attributeValue(text, attribute.startOffset, attribute.endOffset)
      const subject = describe(node)
      readStylesheet(value, { ...OUTSIDE_RULES, selector: subject, subjects: [subject] }, emitter)
    }
  }
}

function readStyleElement(node: Tree.Element, text: string, emitter: Emitter): void {
  const content = node.childNodes[0]?.sourceCodeLocation
  if (!content) return
  const media = node.attrs.find(({ name }) => name === 'media')?.value.trim()
  const { startOffset, endOffset } = content
  readStylesheet(
    { text: text.slice(startOffset, endOffset), toSource: (offset) => startOffset + offset },
    { ...OUTSIDE_RULES, atRules: media ? [`@media ${media}`] : [] },
    emitter,
  )
}

/** The element as a selector would name it: type, id, classes. */
function describe(node: Tree.Element): string {
  const get = (wanted: string) => node.attrs.find(({ name }) => name === wanted)?.value.trim() ?? ''
  const id = get('id')
  const classes = get('class').split(/\s+/).filter(Boolean)
  return node.tagName + (id ? `#${id}` : '') + classes.map((name) => `.${name}`).join('')
}

/** The value of the attribute written at [start, end), its character references decoded, with the way back to the source. */
function attributeValue(text: string, start: number, end: number): Embedded {
  const written = text.slice(start, end)
  const opening = /^[^=]*=\s*["']?/.exec(written)?.[0] ?? written
  const quoted = /["']$/.test(opening)
  const from = start + opening.length
  const raw = text.slice(from, quoted ? end - 1 : end)
  if (!raw.includes('&')) return { text: raw, toSource: (offset) => from + offset }

  let decoded = ''
  const offsets: number[] = []
  for (let i = 0; i < raw.length; ) {
    const reference = raw[i] === '&' ? (/^&#?\w{1,32};?/.exec(raw.slice(i, i + 40))?.[0] ?? '&') : (raw[i] as string)
    const as = reference.length > 1 ? decodeHTMLAttribute(reference) : reference
    const length = as === reference ? 1 : reference.length
    const piece = as === reference ? (raw[i] as string) : as
    for (let k = 0; k < piece.length; k++) offsets.push(from + i)
    decoded += piece
    i += length
  }
  return { text: decoded, toSource: (offset) => offsets[offset] ?? from + raw.length }
}
