import type { Color } from '../../color/color.ts'
import { legacyColor, legacyLiteral } from '../../color/legacy.ts'
import type { Signal } from '../../selector/state.ts'
import { isNamedAddress, isNamedColor, namedKind } from '../named.ts'
import { type Evidence, lessSure, type Use } from '../occurrence.ts'
import { wholeColor } from '../scan/code-string.ts'
import { ANIMATIONS, legacyAttribute, META_COLORS, presentationKind } from '../value/paint-attributes.ts'
import { findInValue } from '../value/value.ts'
import { type ValueHit, wholeHit } from '../value/value-hit.ts'

/** What an attribute paints, and with which colors; offsets within its value. */
export interface PaintedAttribute {
  readonly hits: readonly ValueHit[]
  readonly property: string
  readonly use: Use
  readonly signals: readonly Signal[]
  /** The media query under which it holds; null: always. */
  readonly media: string | null
  readonly literalOnly: boolean
  readonly evidence: Evidence | null
  /** What browsers make of a value of old that is no color; null: nothing. */
  readonly meant: Color | null
}

const PAINTED = {
  use: 'other',
  signals: [],
  media: null,
  literalOnly: true,
  evidence: null,
  meant: null,
} as const

/** Attributes of an animation that hold values (SVG Animations §2.8). */
const ANIMATED = new Set(['values', 'from', 'to', 'by'])

/**
 * What one attribute paints; null: nothing that anybody knows.
 * @param value its references decoded @param isDrawn whether its element is of a drawing
 * @param isAssembled whether tags or code write a part of the value, or say which: they are blanked, and each word is a value of its own
 * @param other the value of another attribute of the element
 */
export function paintedAttribute(
  element: string,
  name: string,
  value: string,
  isDrawn: boolean,
  isAssembled: () => boolean,
  other: (name: string) => string | null,
): PaintedAttribute | null {
  if (name === 'color' && element === 'link') {
    // Of `rel="mask-icon"`: what the drawing is filled with.
    const hits = findInValue(value, 'color')
    return { ...PAINTED, hits, property: 'mask-icon', use: 'fill', evidence: 'attribute' }
  }
  const legacy = isDrawn ? null : legacyAttribute(element, name)
  // `$c` in a string of PHP.
  if (legacy && (value.includes('$') || isAssembled())) return { ...PAINTED, ...legacy, hits: legacyWords(value) }
  if (legacy) {
    const hit = wholeHit(value, legacyLiteral(value.trim()), 'certain')
    return { ...PAINTED, ...legacy, hits: hit ? [hit] : [], meant: hit ? null : legacyColor(value) }
  }
  const kind = isDrawn ? presentationKind(name) : null
  if (kind)
    return { ...PAINTED, hits: findInValue(value, kind.takes), property: name, use: kind.use, literalOnly: false }
  if (ANIMATED.has(name) && ANIMATIONS.has(element)) {
    const property = other('attributeName') ?? other('attributename') ?? ''
    const animated = presentationKind(property)
    return animated && { ...PAINTED, hits: findInValue(value, animated.takes), property, use: animated.use }
  }
  if (name === 'content' && element === 'meta') {
    const property = (other('name') ?? other('property') ?? '').trim().toLowerCase()
    if (!META_COLORS.has(property)) return null
    return { ...PAINTED, hits: findInValue(value, 'color'), property, media: other('media') }
  }
  return unknownAttribute(element, name, value, isDrawn)
}

/** The colors of old in a value of which tags write the rest, each a word. */
function legacyWords(value: string): ValueHit[] {
  return [...value.matchAll(/\S+/g)].flatMap(({ 0: word, index }) => {
    const hit = wholeHit(word, legacyLiteral(word), 'certain')
    return hit ? [{ ...hit, start: index, end: index + word.length, isWhole: false }] : []
  })
}

/** An attribute that no standard knows as a color, but its name and all of its value speak for one. */
function unknownAttribute(element: string, name: string, value: string, isDrawn: boolean): PaintedAttribute | null {
  const kind = wholeColor(value)
  const isPicker = element === 'input' && name === 'value'
  if (kind === null || !(isPicker || isNamedColor(name)) || isNamedAddress(name)) return null
  if (kind === 'name' && (isPicker || isDrawn)) return null
  const { property, use } = namedKind(name.replace(/^data-/, ''))
  const hits = findInValue(value, 'color').map((hit) => ({ ...hit, confidence: lessSure(hit.confidence, 'likely') }))
  return { ...PAINTED, hits, property, use, evidence: 'attribute' }
}
