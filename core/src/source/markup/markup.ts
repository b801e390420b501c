import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5'
import { type Embedded, within } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { OUTSIDE_RULES } from '../occurrence.ts'
import { readStylesheet } from '../sheet/stylesheet.ts'
import { attributeValue } from './attribute.ts'

/** Reads the style elements and style attributes of a page. Walks with a stack of its own, not by recursion. */
export function readMarkup(emitter: Emitter): void {
  const at: Embedded = { text: emitter.source.text, toSource: (offset) => offset, drawing: null }
  const pending: Tree.ChildNode[] = [...parse(at.text, { sourceCodeLocationInfo: true }).childNodes]
  for (let node = pending.pop(); node; node = pending.pop()) {
    if (!('tagName' in node)) continue
    if ('content' in node) pending.push(...node.content.childNodes)
    pending.push(...node.childNodes)
    if (node.tagName === 'style') readStyleElement(node, at, emitter)
    const attribute = node.sourceCodeLocation?.attrs?.style
    if (attribute) {
      const value = attributeValue(at, attribute.startOffset, attribute.endOffset)
      const subject = describe(node)
      readStylesheet(value, { ...OUTSIDE_RULES, selector: subject, subjects: [subject] }, emitter)
    }
  }
}

function readStyleElement(node: Tree.Element, at: Embedded, emitter: Emitter): void {
  const content = node.childNodes[0]?.sourceCodeLocation
  if (!content) return
  const media = node.attrs.find(({ name }) => name === 'media')?.value.trim()
  const { startOffset, endOffset } = content
  readStylesheet(
    within(at, at.text.slice(startOffset, endOffset), (offset) => startOffset + offset),
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
