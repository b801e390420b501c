import { inKebab, isNamedAddress, isNamedColor, namedKind } from '../named.ts'
import type { Confidence, Evidence, Use } from '../occurrence.ts'
import { PRESENTATION } from '../value/paint-attributes.ts'
import { propertyKind, type Takes } from '../value/property.ts'

/** What a string would be where it stands in a script. */
export type Slot =
  /** Nothing is known. */
  | { readonly kind: 'open' }
  /** No color: a test, a selector, a name of something. */
  | { readonly kind: 'none' }
  /** A value of CSS. `whole`: only all of it may be a color. */
  | {
      readonly kind: 'value'
      readonly property: string
      readonly takes: Takes
      readonly use: Use
      readonly whole: boolean
      readonly legacy: boolean
      readonly literalOnly: boolean
      readonly evidence: Evidence
      readonly confidence: Confidence
      readonly element: string | null
    }
  /** Declarations or rules of CSS. */
  | { readonly kind: 'css'; readonly confidence: Confidence; readonly element: string | null }
  | { readonly kind: 'markup' }
  /** An object whose keys are properties of a style. */
  | { readonly kind: 'style'; readonly element: string | null }
  /** An object whose keys are attributes of an element. */
  | { readonly kind: 'attributes'; readonly element: string | null }

type Value = Extract<Slot, { kind: 'value' }>

export const OPEN: Slot = { kind: 'open' }
export const NONE: Slot = { kind: 'none' }
export const MARKUP: Slot = { kind: 'markup' }
export const CSS_TEXT: Slot = { kind: 'css', confidence: 'certain', element: null }

const value = (property: string, more: Partial<Value>): Slot => ({
  kind: 'value',
  property,
  takes: 'color',
  use: 'other',
  whole: false,
  legacy: false,
  literalOnly: false,
  evidence: 'style',
  confidence: 'certain',
  element: null,
  ...more,
})

/** A property of a style, as scripts name it: `backgroundColor`. What no color can be in is none. */
export function styleSlot(name: string, element: string | null): Slot {
  if (name === 'cssText') return { kind: 'css', confidence: 'certain', element }
  const property = name.startsWith('--') ? name : inKebab(name).replace(/^(?=(?:webkit|moz|ms|o)-)/, '-')
  const { takes, use } = propertyKind(property)
  if (takes === 'none' || takes === 'unknown') return NONE
  if (takes === 'custom') return value(property, { takes, use, element, confidence: 'likely' })
  return value(property, { takes, use, element })
}

/** In a list of colors and nothing else. */
export const TABLE: Slot = value('value', { whole: true, evidence: 'color-table', confidence: 'likely' })

const CANVAS: Readonly<Record<string, Use>> = { fillStyle: 'fill', strokeStyle: 'stroke', shadowColor: 'shadow' }

export function canvasSlot(name: string): Slot | null {
  const use = Object.hasOwn(CANVAS, name) ? CANVAS[name] : undefined
  return use === undefined ? null : value(inKebab(name), { use, evidence: 'canvas', literalOnly: true })
}

/** The colors of a gradient on a canvas. */
export const COLOR_STOP: Slot = value('color-stop', { use: 'fill', evidence: 'canvas', literalOnly: true })

/** Of the document: `bgColor`, `fgColor`, `linkColor`, ... (HTML §16.3). */
export function documentSlot(name: string): Slot | null {
  if (!/^(?:bg|fg|link|alink|vlink)Color$/.test(name)) return null
  const ground = name === 'bgColor'
  const property = ground ? 'background-color' : 'color'
  return value(property, { use: ground ? 'ground' : 'text', legacy: true, literalOnly: true, evidence: 'attribute' })
}

/** An attribute that a script sets, or that stands on a tag in it. @param sure whether it is one of a plain element */
export function attributeSlot(name: string, element: string | null, sure: boolean): Slot {
  if (name === 'style') return { kind: 'css', confidence: 'certain', element }
  if (/^(?:bgcolor|bordercolor)$/i.test(name)) {
    const ground = name.toLowerCase() === 'bgcolor'
    const use = ground ? 'ground' : 'line'
    const property = ground ? 'background-color' : 'border-color'
    return value(property, { use, legacy: true, literalOnly: true, evidence: 'attribute', element })
  }
  const property = inKebab(name)
  if (PRESENTATION.has(property)) {
    const { use } = propertyKind(property)
    return value(property, {
      use,
      evidence: 'attribute',
      element,
      confidence: sure ? 'certain' : 'likely',
      whole: !sure,
    })
  }
  if (/^(?:class|classname|title|alt|name|placeholder|content|data-testid|key)$/i.test(name)) return NONE
  return namedSlot(name) ?? OPEN
}

/** Whether what a key holds is words for people or for programs. */
export function isLabel(name: string): boolean {
  return /(?:class|name|label|title|text|selector|id|key|slug|url|image|src|path|type|mode|scheme)s?$/i.test(name)
}

/** What is named like a property or like something that holds a color, or like something that holds none; null: its name says nothing. */
export function namedSlot(name: string): Slot | null {
  if (isNamedAddress(name)) return NONE
  const { property, takes, use } = namedKind(name)
  const isProperty = takes === 'color' || takes === 'image'
  if (!isProperty && !isNamedColor(name)) return null
  if (!isProperty && isLabel(name)) return OPEN
  return value(property, { takes: 'color', use, whole: true, evidence: 'named', confidence: 'likely' })
}

/** Functions that take selectors, names of classes, events or files. */
const NAMES =
  /^(?:\$|jQuery|querySelector(?:All)?|getElements?By\w+|find|closest|matches|is|not|has|filter|children|parents?(?:Until)?|siblings|next(?:All)?|prev(?:All)?|addEventListener|removeEventListener|on|off|one|trigger|addClass|removeClass|toggleClass|hasClass|add|remove|toggle|contains|require|import|getItem|removeItem|indexOf|includes|startsWith|endsWith|split|test|match|getAttribute|removeAttribute|hasAttribute|getPropertyValue|removeProperty|describe|it|log|warn|error|info|debug|createElement(?:NS)?|scrollTo|getContext)$/

/** A function whose strings are no colors. */
export function takesNames(callee: string): boolean {
  return NAMES.test(callee)
}
