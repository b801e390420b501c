import { toHex } from '../../color/color.ts'
import type { Range } from '../../text/range.ts'
import { type Embedded, isAssembled, within } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { type Context, lessSure, type OuterContext } from '../occurrence.ts'
import { type Attribute, type StartTag, scanMarkup } from '../scan/markup-scanner.ts'
import { decodedText } from '../scan/references.ts'
import { readScript, readScriptValue } from '../script/script.ts'
import { readJson } from '../settings/json.ts'
import { CSS, SCSS } from '../sheet/dialect.ts'
import { readStylesheet } from '../sheet/stylesheet.ts'
import { partial } from '../source-link.ts'
import { maskForScript } from '../template/mask.ts'
import { isBound, type Tag } from '../template/tags.ts'
import { drawingOf, type Payload, wholeDrawing } from '../value/data-url.ts'
import { handledEvent, handlerSignals } from '../value/paint-attributes.ts'
import { describe, OpenElements } from './element.ts'
import { readEntities } from './entities.ts'
import { linksOf } from './markup-links.ts'
import { paintedAttribute } from './painted-attribute.ts'
import { dialectOf, languageOf, unsectioned } from './raw-text.ts'

/** What markup is read as. */
export interface MarkupOptions {
  /** Whether it is XML: a drawing in a file of its own, or XHTML as such. */
  readonly xml: boolean
  /** The template tags that were blanked in its text. */
  readonly tags: readonly Tag[]
}

/**
 * Reads a page, a template or a drawing: what style elements and attributes, presentation attributes, meta elements, handlers and scripts
 * paint, and which files it names. Linear; builds no tree.
 */
export function readMarkup(at: Embedded, outer: OuterContext, options: MarkupOptions, emitter: Emitter): void {
  const { text } = at
  const { xml, tags } = options
  // What a string of code leaves open is an interpolation of Sass.
  const plain = outer.evidence === 'markup-text' ? SCSS : CSS
  const blanked = new Map(tags.map((tag) => [tag.start, tag]))
  let condition: string | null = null
  const elements = new OpenElements(text, xml)

  const textOf = ({ value }: Attribute) => (value ? decodedText(at, value.start, value.end) : null)
  const withCondition = (context: OuterContext): OuterContext =>
    condition === null ? context : { ...context, atRules: [...context.atRules, `[if ${condition}]`] }

  const startTag = (tag: StartTag) => {
    const color = ownColor(tag)
    readAttributes(tag, color)
    if (DOCUMENT.has(tag.name) && outer.evidence === null && !elements.isForeign)
      emitter.document(rootsOf(tag.name, attributeText(tag, 'id'), attributeText(tag, 'class')))
    for (const link of linksOf(at, tag, condition ?? elements.inert)) emitter.link(at, link.start, link.end, link)
    elements.push(tag, color)
  }

  /** Whether a beginning element is a drawing or of one. */
  const isDrawn = (element: string) => elements.isForeign || element === 'svg'

  /** Where an element sets its own `color`, as an attribute or in its style. */
  const ownColor = ({ name: element, attributes }: StartTag): Range | null => {
    const setter = attributes.find(({ name, value }) => {
      if (!value) return false
      if (name === 'color') return isDrawn(element)
      return name === 'style' && /(?:^|[;\s])color\s*:/i.test(text.slice(value.start, value.end))
    })
    return setter ? { start: at.toSource(setter.start), end: at.toSource(setter.end) } : null
  }

  const readAttributes = (tag: StartTag, color: Range | null) => {
    if (tag.attributes.length === 0) return
    let element: OuterContext | null = null
    const context = () => {
      if (element) return element
      const selector = describe(text, tag)
      element = withCondition({ ...outer, selector, subjects: [selector] })
      return element
    }
    for (const attribute of tag.attributes) {
      if (!attribute.value || attribute.value.start === attribute.value.end) continue
      readAttribute(tag, attribute, context, color)
    }
  }

  const readAttribute = (tag: StartTag, attribute: Attribute, context: () => OuterContext, color: Range | null) => {
    const { name } = attribute
    const expression = expressionOf(attribute)
    const value = expression ?? decoded(attribute)
    if (expression && handledEvent(name) === null)
      return readScriptValue(expression, name.replace(/^style:/, 'style.'), context(), emitter)
    if (name === 'style') return readStylesheet(value, { ...context(), specificity: null }, emitter, plain)
    if (name === 'srcdoc') return readMarkup(value, outer, { xml: false, tags: [] }, emitter)
    const event = handledEvent(name)
    if (event !== null) {
      const signals = [...outer.signals, ...handlerSignals(event)]
      return readScript(value, { ...context(), signals }, emitter, event)
    }
    const bound = BOUND.exec(name)
    if (bound) return readScriptValue(value, bound[1] ?? bound[2] ?? '', context(), emitter)
    const styled = /^style:([\w-]+)$/.exec(name)?.[1]
    if (styled) return readStylesheet(prefixed(value, styled), context(), emitter, plain)
    if (name.startsWith('data-') && /^\s*[{[]/.test(value.text)) return readJson(value, emitter)
    const drawing = at.drawing ? null : wholeDrawing(value.text)
    if (drawing) return readDrawing(value, drawing, context())
    readPainted(tag, name, value, context, color)
  }

  /** The code in braces that is all of a value in some components. */
  const expressionOf = ({ value }: Attribute): Embedded | null => {
    const { text: source } = emitter.source
    const tag = value && blanked.get(value.start)
    if (!tag || !isBound(source, tag)) return null
    return within(at, source.slice(tag.code.start, tag.code.end), (offset) => tag.code.start + offset)
  }

  /** A drawing in an address: `<img src="data:image/svg+xml,...">`. */
  const readDrawing = (value: Embedded, payload: Payload, context: OuterContext) => {
    const drawing = drawingOf(value, payload)
    if (drawing) emitter.readMarkup(drawing, context, true, emitter)
    else emitter.finding(value, 'drawing-not-reversible', payload.start, payload.end)
  }

  const readPainted = (
    tag: StartTag,
    name: string,
    value: Embedded,
    context: () => OuterContext,
    color: Range | null,
  ) => {
    const drawn = isDrawn(tag.name)
    const assembled = () => isAssembled(value, { start: 0, end: value.text.length }, emitter.source.text)
    const painted = paintedAttribute(tag.name, name, value.text, drawn, assembled, (other) => attributeText(tag, other))
    if (!painted) return
    const { hits, property, use, signals, media, literalOnly, evidence, meant } = painted
    if (meant) {
      const wrong = { start: 0, end: value.text.length }
      emitter.finding(value, 'color-out-of-form', wrong.start, wrong.end, { meaning: toHex(meant), use, wrong })
    }
    if (hits.length === 0) return
    const around = context()
    const on: Context = {
      ...around,
      specificity: null,
      property,
      use,
      signals: [...outer.signals, ...signals],
      atRules: media === null ? around.atRules : [...around.atRules, `@media ${media.trim()}`],
      important: false,
      variable: null,
      opacity: null,
      literalOnly,
      evidence: evidence ?? outer.evidence,
    }
    for (const hit of hits) {
      const isCurrent = 'keyword' in hit.found && hit.found.keyword === 'currentcolor'
      const source = isCurrent && drawn ? elements.colorSource(tag, name === 'color' ? null : color) : null
      emitter.hit(value, 0, { ...hit, confidence: lessSure(hit.confidence, outer.confidence) }, on, source)
    }
  }

  const decoded = (attribute: Attribute): Embedded => textOf(attribute) ?? within(at, '', () => attribute.end)

  const rawText = (tag: StartTag, start: number, end: number) => {
    const type = (attributeText(tag, 'type') ?? '').toLowerCase()
    if (tag.name === 'style') readStyle(tag, start, end, type)
    else if (tag.name === 'script') readScriptElement(tag, start, end, type)
  }

  const readStyle = (tag: StartTag, start: number, end: number, type: string) => {
    const media = (attributeText(tag, 'media') ?? '').trim()
    const context = withCondition(outer)
    const sheet = unsectioned(at, start, end, xml)
    const dialect = dialectOf(attributeText(tag, 'lang') || type) ?? plain
    if (type === '' || type === 'text/css')
      emitter.link(at, start, end, {
        kind: 'style',
        target: '',
        media: media || null,
        condition: condition ?? elements.inert,
        applies: 'always',
      })
    readStylesheet(
      sheet,
      {
        ...context,
        selector: null,
        subjects: [],
        atRules: media ? [...context.atRules, `@media ${media}`] : context.atRules,
      },
      emitter,
      dialect,
    )
  }

  const readScriptElement = (tag: StartTag, start: number, end: number, type: string) => {
    if (/template|html|x-handlebars|x-mustache|x-tmpl|ng-/.test(type)) return walk(start, end)
    const script = within(at, maskForScript(text, tags, start, end), (offset) => start + offset)
    if (/json|importmap|speculationrules/.test(type)) return readJson(script, emitter)
    if (type === '' || /javascript|ecmascript|module|babel|jsx|typescript|^text\/(?:js|ts|jsx|tsx)$/.test(type))
      readScript(
        script,
        withCondition({ ...outer, selector: null, subjects: [] }),
        emitter,
        null,
        languageOf(attributeText(tag, 'lang') ?? type, emitter.source.path),
      )
  }

  const attributeText = (tag: StartTag, wanted: string): string | null => {
    const found = tag.attributes.find(({ name }) => name === wanted)
    return (found && textOf(found)?.text) ?? null
  }

  const comment = (start: number, end: number) => {
    const head = text.slice(start, Math.min(end, start + LONGEST_CONDITION))
    const included = INCLUDED.exec(head)
    if (included?.[1]) {
      const from = start + included[0].length - 1 - included[1].length
      emitter.link(at, from, from + included[1].length, partial(included[1]))
    }
    const opening = CONDITION.exec(head)
    const close = opening ? text.slice(start, end).lastIndexOf('<![endif') : -1
    if (!opening || close < opening[0].length) return
    const before = condition
    condition = opening[1]?.trim() ?? ''
    walk(start + opening[0].length, start + close)
    condition = before
  }

  const walk = (start: number, end: number) =>
    scanMarkup(
      text,
      start,
      end,
      {
        startTag,
        endTag: (name) => elements.pop(name),
        rawText,
        text() {},
        comment,
        declaration: (from, to) => readEntities(at, from, to, outer, emitter),
        isForeign: () => elements.isForeign,
      },
      xml,
      blanked,
    )
  walk(0, text.length)
}

/** The selectors by which a root element or a body can be told; names that would have to be escaped are left out. */
function rootsOf(element: string, id: string | null, classes: string | null): string[] {
  if (element !== 'html' && element !== 'body') return []
  const isPlain = (name: string) => /^-?[a-z_][\w-]{0,80}$/i.test(name)
  const names = (classes ?? '').split(/\s+/).filter(isPlain).slice(0, MOST_CLASSES)
  return [...(id !== null && isPlain(id) ? [`${element}#${id}`] : []), ...names.map((name) => `${element}.${name}`)]
}

/** More classes than a body has that its author wrote. */
const MOST_CLASSES = 40

const DOCUMENT = new Set(['html', 'head', 'body', 'frameset'])

/** `:style`, `v-bind:fill`, `[style.color]`, `[ngStyle]`: what components of three kinds bind to an expression. */
const BOUND = /^(?::|v-bind:|x-bind:)([\w-]+)|^\[(?:attr\.)?([\w.-]+)\]$/i

const CONDITION = /^\[if\s+([^\]]{0,80})\]>/i
const LONGEST_CONDITION = 300
/** What a server puts in the place of a comment. */
const INCLUDED = /^#include\s+(?:virtual|file)\s*=\s*["']([^"'\n]{1,200})["']/

/** A value as a declaration of a property whose name stands elsewhere. Offsets in the name lead to the beginning of the value. */
function prefixed(value: Embedded, property: string): Embedded {
  const head = `${property}:`
  return within(value, head + value.text, (offset) => Math.max(0, offset - head.length))
}
