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

/** Whether a place is an attribute of HTML whose values are legacy colors: those know no alpha. */
export function isLegacyAttribute({ literalOnly, evidence, specificity, property }: Partial<Context>): boolean {
  const isColor = property !== undefined && /^(?:background-|border-)?color$/.test(property)
  return isColor && literalOnly === true && evidence === null && specificity === null
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
