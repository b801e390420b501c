import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5'
import { type Embedded, within } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import type { Context, OuterContext } from '../occurrence.ts'
import { readStylesheet } from '../sheet/stylesheet.ts'
import { propertyKind } from '../value/property.ts'
import { findInValue } from '../value/value.ts'
import { attributeValue } from './attribute.ts'

/** Attributes that paint (SVG 2 §11, Filter Effects 1): each is a property of the same name. */
const PAINTS = ['fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color', 'color']

/** Reads a drawing: what its attributes, style attributes and style elements paint. Walks with a stack of its own. */
export function readSvg(at: Embedded, outer: OuterContext, emitter: Emitter): void {
  const pending: Tree.ChildNode[] = [...parseFragment(at.text, { sourceCodeLocationInfo: true }).childNodes]
  for (let node = pending.pop(); node; node = pending.pop()) {
    if (!('tagName' in node)) continue
    pending.push(...node.childNodes)
    const attributes = node.sourceCodeLocation?.attrs ?? {}
    for (const property of PAINTS) {
      const attribute = attributes[property]
      if (!attribute) continue
      const value = attributeValue(at, attribute.startOffset, attribute.endOffset)
      const { takes, use } = propertyKind(property)
      const context: Context = { ...outer, property, use, important: false, variable: null, opacity: null }
      for (const hit of findInValue(value.text, takes)) emitter.hit(value, 0, hit, context)
    }
    if (attributes.style) {
      const { startOffset, endOffset } = attributes.style
      readStylesheet(attributeValue(at, startOffset, endOffset), outer, emitter)
    }
    const content = node.tagName === 'style' ? node.childNodes[0]?.sourceCodeLocation : null
    if (content) {
      const { startOffset, endOffset } = content
      readStylesheet(
        within(at, at.text.slice(startOffset, endOffset), (offset) => startOffset + offset),
        outer,
        emitter,
      )
    }
  }
}
