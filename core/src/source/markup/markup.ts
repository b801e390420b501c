import { toHex } from '../../color/color.ts'
import { legacyColor, legacyLiteral } from '../../color/legacy.ts'
import type { Range } from '../../text/range.ts'
import { type Embedded, within } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { isNamedColor, namedKind } from '../named.ts'
import { type Context, lessSure, type OuterContext } from '../occurrence.ts'
import { wholeColor } from '../scan/code-string.ts'
import { type Attribute, type StartTag, scanMarkup } from '../scan/markup-scanner.ts'
import { decodedText } from '../scan/references.ts'
import { readScript, readScriptValue } from '../script/script.ts'
import { readJson } from '../settings/json.ts'
import { CSS, type Dialect, LESS, SCSS } from '../sheet/dialect.ts'
import { SASS, STYLUS } from '../sheet/indented-dialect.ts'
import { readStylesheet } from '../sheet/stylesheet.ts'
import { partial } from '../source-link.ts'
import { maskForScript } from '../template/mask.ts'
import type { Tag } from '../template/tags.ts'
import {
  ANIMATIONS,
  handledEvent,
  handlerState,
  legacyAttribute,
  META_COLORS,
  PRESENTATION,
  presentationKind,
} from '../value/paint-attributes.ts'
import { findInValue } from '../value/value.ts'
import type { ValueHit } from '../value/value-hit.ts'
import { describe, OpenElements } from './element.ts'
import { linksOf } from './markup-links.ts'

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
  let condition: string | null = null
  const elements = new OpenElements(text, xml)

  const textOf = ({ value }: Attribute) => (value ? decodedText(at, value.start, value.end) : null)
  const withCondition = (context: OuterContext): OuterContext =>
    condition === null ? context : { ...context, atRules: [...context.atRules, `[if ${condition}]`] }

  const startTag = (tag: StartTag) => {
    const color = ownColor(tag)
    readAttributes(tag, color)
    if (DOCUMENT.has(tag.name) && outer.evidence === null && !elements.isForeign) emitter.document()
    for (const link of linksOf(at, tag, condition ?? elements.inert)) emitter.link(at, link.start, link.end, link)
    elements.push(tag, color)
  }

  /** Where an element sets its own `color`, as an attribute or in its style. */
  const ownColor = ({ attributes }: StartTag): Range | null => {
    for (const { name, value, start, end } of attributes) {
      if (!value) continue
      if (name === 'style' && /(?:^|[;\s])color\s*:/i.test(text.slice(value.start, value.end))) return { start, end }
      if (name === 'color' && elements.isForeign) return { start, end }
    }
    return null
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
    const find = (name: string) => tag.attributes.find((attribute) => attribute.name === name)
    for (const attribute of tag.attributes) {
      if (!attribute.value || attribute.value.start === attribute.value.end) continue
      readAttribute(tag, attribute, context, find, color)
    }
  }

  const readAttribute = (
    tag: StartTag,
    attribute: Attribute,
    context: () => OuterContext,
    find: (name: string) => Attribute | undefined,
    color: Range | null,
  ) => {
    const { name } = attribute
    const isDrawn = elements.isForeign || tag.name === 'svg'
    const put = (value: Embedded, hits: readonly ValueHit[], more: Partial<Context> & { property: string }) => {
      for (const hit of hits) {
        const isCurrent = 'keyword' in hit.found && hit.found.keyword === 'currentcolor'
        const source = isCurrent && isDrawn ? elements.colorSource(tag, name === 'color' ? null : color) : null
        const sure = lessSure(hit.confidence, outer.confidence)
        emitter.hit(
          value,
          0,
          sure === hit.confidence ? hit : { ...hit, confidence: sure },
          plain(context(), more),
          source,
        )
      }
    }
    if (name === 'style') return readStylesheet(decoded(attribute), { ...context(), specificity: null }, emitter)

    if (name === 'color' && tag.name === 'link') {
      // Of `rel="mask-icon"`: what the drawing is filled with.
      const value = decoded(attribute)
      put(value, findInValue(value.text, 'color'), {
        property: 'mask-icon',
        use: 'fill',
        literalOnly: true,
        evidence: 'attribute',
      })
      return
    }
    const legacy = isDrawn ? null : legacyAttribute(tag.name, name)
    if (legacy) {
      const value = decoded(attribute)
      const { property, use, states } = legacy
      const hit = legacyHit(value.text)
      if (hit) put(value, [hit], { property, use, states: [...outer.states, ...states], literalOnly: true })
      else sayLegacy(value)
      return
    }
    if (isDrawn && PRESENTATION.has(name)) {
      const value = decoded(attribute)
      const kind = presentationKind(name)
      if (kind) put(value, findInValue(value.text, kind.takes), { property: name, use: kind.use })
      return
    }
    if (ANIMATED.has(name) && ANIMATIONS.has(tag.name)) {
      const animated = find('attributeName') ?? find('attributename')
      const property = animated?.value ? text.slice(animated.value.start, animated.value.end) : ''
      const kind = presentationKind(property)
      const value = decoded(attribute)
      if (kind) put(value, findInValue(value.text, kind.takes), { property, use: kind.use, literalOnly: true })
      return
    }
    if (name === 'content' && tag.name === 'meta') {
      const named = find('name') ?? find('property')
      const property = named?.value ? text.slice(named.value.start, named.value.end).trim().toLowerCase() : ''
      if (!META_COLORS.has(property)) return
      const media = find('media')?.value
      const atRules = media
        ? [...context().atRules, `@media ${text.slice(media.start, media.end).trim()}`]
        : context().atRules
      const value = decoded(attribute)
      return put(value, findInValue(value.text, 'color'), { property, use: 'other', literalOnly: true, atRules })
    }
    if (name === 'srcdoc') return readMarkup(decoded(attribute), outer, { xml: false, tags: [] }, emitter)
    const event = handledEvent(name)
    if (event !== null) {
      const states = [...outer.states, ...handlerState(event)]
      return readScript(decoded(attribute), { ...context(), states }, emitter, event)
    }
    const bound = BOUND.exec(name)
    if (bound) return readScriptValue(decoded(attribute), bound[1] ?? bound[2] ?? '', context(), emitter)
    const styled = /^style:([\w-]+)$/.exec(name)?.[1]
    if (styled) return readStylesheet(prefixed(decoded(attribute), styled), context(), emitter)
    readOther(attribute, tag, isDrawn, put)
  }

  /** Attributes that no standard knows as colors, but their name and all of their value speak for one. */
  const readOther = (
    attribute: Attribute,
    tag: StartTag,
    isDrawn: boolean,
    put: (value: Embedded, hits: readonly ValueHit[], more: Partial<Context> & { property: string }) => void,
  ) => {
    const { name, value } = attribute
    if (!value || value.end - value.start > LONGEST_OTHER) return
    const first = text.charCodeAt(value.start)
    if (first === 123 || first === 91)
      return name.startsWith('data-') ? readJson(decoded(attribute), emitter) : undefined
    const written = decoded(attribute)
    const kind = wholeColor(written.text)
    const isPicker = tag.name === 'input' && name === 'value'
    if (kind === null || (kind === 'name' && isPicker) || !(isPicker || isNamedColor(name))) return
    if (isDrawn && kind === 'name') return
    const { takes: _takes, ...named } = namedKind(name.replace(/^data-/, ''))
    const hits = findInValue(written.text, 'color').map((hit) => ({
      ...hit,
      confidence: lessSure(hit.confidence, 'likely'),
    }))
    put(written, hits, { ...named, evidence: 'attribute', literalOnly: true })
  }

  const decoded = (attribute: Attribute): Embedded => textOf(attribute) ?? within(at, '', () => attribute.end)

  const sayLegacy = (value: Embedded) => {
    const as = legacyColor(value.text)
    if (as) emitter.finding(value, 'color-out-of-form', 0, value.text.length, toHex(as))
  }

  const rawText = (tag: StartTag, start: number, end: number) => {
    const type = attributeText(tag, 'type').toLowerCase()
    if (tag.name === 'style') readStyle(tag, start, end, type)
    else if (tag.name === 'script') readScriptElement(start, end, type)
  }

  const readStyle = (tag: StartTag, start: number, end: number, type: string) => {
    const media = attributeText(tag, 'media').trim()
    const context = withCondition(outer)
    const sheet = unsectioned(at, start, end, xml)
    const dialect = DIALECTS[attributeText(tag, 'lang').toLowerCase() || type.replace(/^text\//, '')] ?? CSS
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

  const readScriptElement = (start: number, end: number, type: string) => {
    if (/template|html|x-handlebars|x-mustache|x-tmpl|ng-/.test(type)) return walk(start, end)
    const script = within(at, maskForScript(text, tags, start, end), (offset) => start + offset)
    if (/json|importmap|speculationrules/.test(type)) return readJson(script, emitter)
    if (type === '' || /javascript|ecmascript|module|babel|jsx|typescript|^text\/(?:js|ts|jsx|tsx)$/.test(type))
      readScript(script, withCondition({ ...outer, selector: null, subjects: [] }), emitter)
  }

  const attributeText = (tag: StartTag, wanted: string): string => {
    const found = tag.attributes.find(({ name }) => name === wanted)
    return found ? (textOf(found)?.text ?? '') : ''
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
    )
  walk(0, text.length)
}

const DOCUMENT = new Set(['html', 'head', 'body', 'frameset'])

/** Attributes of an animation that hold values (SVG Animations §2.8). */
const ANIMATED = new Set(['values', 'from', 'to', 'by'])

/** `:style`, `v-bind:fill`, `[style.color]`, `[ngStyle]`: what components of three kinds bind to an expression. */
const BOUND = /^(?::|v-bind:|x-bind:)([\w-]+)|^\[(?:attr\.)?([\w.-]+)\]$/i

/** Longer than a color, or settings within an attribute, are written. */
const LONGEST_OTHER = 10_000

const CONDITION = /^\[if\s+([^\]]{0,80})\]>/i
const LONGEST_CONDITION = 300
/** What a server puts in the place of a comment. */
const INCLUDED = /^#include\s+(?:virtual|file)\s*=\s*["']([^"'\n]{1,200})["']/

const DIALECTS: Readonly<Record<string, Dialect | undefined>> = {
  scss: SCSS,
  less: LESS,
  sass: SASS,
  styl: STYLUS,
  stylus: STYLUS,
}

function plain(outer: OuterContext, more: Partial<Context> & { property: string }): Context {
  return { ...outer, specificity: null, use: 'other', important: false, variable: null, opacity: null, ...more }
}

function legacyHit(value: string): ValueHit | null {
  const written = value.trim()
  const found = legacyLiteral(written)
  const start = value.indexOf(written)
  return found && { start, end: start + written.length, found, functions: [], confidence: 'certain' }
}

/** A declaration whose name stands elsewhere: the name counts as what stands before the value. */
function prefixed(value: Embedded, property: string): Embedded {
  const head = `${property}:`
  return within(value, head + value.text, (offset) => Math.max(0, offset - head.length))
}

/** The content of a style element; the marks of a CDATA section in it become blanks. */
function unsectioned(at: Embedded, start: number, end: number, xml: boolean): Embedded {
  const content = at.text.slice(start, end)
  if (!content.includes('<![CDATA['))
    return xml && content.includes('&') ? decodedText(at, start, end) : within(at, content, (offset) => start + offset)
  const text = content.replace(/<!\[CDATA\[|\]\]>/g, (mark) => ' '.repeat(mark.length))
  return within(at, text, (offset) => start + offset)
}

/** `<!ENTITY brand "#7a2433">` in the document type of a drawing: a color that its attributes take by name. */
function readEntities(at: Embedded, start: number, end: number, outer: OuterContext, emitter: Emitter): void {
  const declaration = at.text.slice(start, end)
  if (!declaration.includes('<!ENTITY')) return
  for (const match of declaration.matchAll(/<!ENTITY\s+([\w.-]+)\s+(["'])([^"'<]{1,60})\2/g)) {
    const [whole, name = '', , value = ''] = match
    if (wholeColor(value) === null) continue
    const from = start + match.index + whole.length - 1 - value.length
    const hits = findInValue(value, 'color')
    const context = plain(outer, {
      property: name,
      use: 'variable',
      variable: `&${name};`,
      literalOnly: true,
      evidence: 'named',
    })
    for (const hit of hits)
      emitter.hit(
        within(at, value, (offset) => from + offset),
        0,
        { ...hit, confidence: 'likely' },
        context,
      )
  }
}
