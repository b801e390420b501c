import type { Signal } from '../../selector/state.ts'
import type { Context, Use } from '../occurrence.ts'
import { type PropertyKind, propertyKind } from './property.ts'

/** Attributes of drawings that paint, each a property of the same name (SVG 2 §11, Filter Effects 1). */
export const PRESENTATION: ReadonlySet<string> = new Set([
  'fill',
  'stroke',
  'stop-color',
  'flood-color',
  'lighting-color',
  'color',
])

/** What an attribute of HTML paints whose values are legacy colors. */
export interface LegacyAttribute {
  readonly property: string
  readonly use: Use
  readonly signals: readonly Signal[]
}

const GROUND: LegacyAttribute = { property: 'background-color', use: 'ground', signals: [] }
const TEXT: LegacyAttribute = { property: 'color', use: 'text', signals: [] }
const LINE: LegacyAttribute = { property: 'border-color', use: 'line', signals: [] }

/** HTML §15.3 and §16.3, and the border colors of old browsers (from memory). */
export function legacyAttribute(element: string, name: string): LegacyAttribute | null {
  switch (name) {
    case 'bgcolor':
      return GROUND
    case 'bordercolor':
    case 'bordercolorlight':
    case 'bordercolordark':
      return LINE
    case 'text':
    case 'link':
      return element === 'body' ? TEXT : null
    case 'vlink':
      return element === 'body' ? { ...TEXT, signals: [':visited'] } : null
    case 'alink':
      return element === 'body' ? { ...TEXT, signals: [':active'] } : null
    case 'color':
      return element === 'font' || element === 'basefont' ? TEXT : element === 'hr' ? LINE : null
    default:
      return null
  }
}

/**
 * Whether a place takes only such forms of a color as have no alpha: an attribute of old HTML, in a page, in a string of code or set by a script; an input
 * of type color (HTML §4.10.5.1.12); a tile of old systems.
 */
export function hasNoAlpha({ literalOnly, evidence, specificity, property }: Partial<Context>): boolean {
  if (property === undefined || literalOnly !== true || specificity !== null) return false
  if (/^msapplication-/.test(property)) return true
  if (property === 'value') return evidence === 'attribute'
  const isOfPage = evidence === null || evidence === 'attribute' || evidence === 'markup-text'
  return isOfPage && /^(?:background-|border-)?color$/.test(property)
}

/** Names of meta elements whose content is a color (HTML §4.2.5.1, and what systems of old read). */
export const META_COLORS: ReadonlySet<string> = new Set([
  'theme-color',
  'msapplication-tilecolor',
  'msapplication-navbutton-color',
])

/** Elements that animate an attribute of another (SVG Animations). */
export const ANIMATIONS: ReadonlySet<string> = new Set(['animate', 'set', 'animatecolor', 'animateColor'])

/** A property that an attribute of that name paints, wherever it stands; null: none. */
export function presentationKind(name: string): PropertyKind | null {
  return PRESENTATION.has(name) ? propertyKind(name) : null
}

/** The event of an attribute that holds a handler: `onclick`, and what components call it; null: it holds none. */
export function handledEvent(attribute: string): string | null {
  const event = /^(?:on|@|v-on:|x-on:|\()([a-z]+)/i.exec(attribute)?.[1]?.toLowerCase() ?? null
  return event !== null && /^(?:on[a-z]+$|@|v-on:|x-on:|\([\w.-]+\)$)/i.test(attribute) ? event : null
}

/** What an element answers to while the handler of an event runs, as a selector would ask for it (HTML §8.1.8.2: the names of events; common practice, no source). */
export function handlerSignals(event: string): readonly Signal[] {
  switch (event.toLowerCase()) {
    case 'mouseover':
    case 'mouseenter':
    case 'pointerover':
    case 'pointerenter':
      return [':hover']
    case 'focus':
    case 'focusin':
      return [':focus']
    case 'mousedown':
    case 'pointerdown':
    case 'touchstart':
      return [':active']
    default:
      return []
  }
}
