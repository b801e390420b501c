import type { Use } from '../occurrence.ts'

/**
 * What the value of a property may hold: a color anywhere in it (`color`), only inside functions such as gradients (`image`),
 * custom text (`custom`), anything, since nobody knows the property (`unknown`), or no color at all (`none`).
 */
export type Takes = 'color' | 'image' | 'custom' | 'unknown' | 'none'

/** The sides of a box, as logical ones too. */
const SIDE = '(?:-(?:top|right|bottom|left|block|inline)(?:-(?:start|end))?)'

/** What a property takes and paints. */
export interface PropertyKind {
  readonly takes: Takes
  readonly use: Use
  /** Whether it takes one color and nothing else (`one`), or a color among other things that everybody knows (`among`): what was meant as a color there and is none can be told. */
  readonly holds?: 'one' | 'among'
  /** Whether an element without a value of its own takes its parent's. */
  readonly isInherited?: true
}

/**
 * All that is known of properties that paint: one more is one more row here. First match wins. Names without vendor prefix; sources: the property indexes of the
 * CSS specifications, and the browsers' own old ones.
 */
const KINDS: readonly (PropertyKind & { readonly names: RegExp })[] = [
  { names: /^color$/, takes: 'color', use: 'text', holds: 'one', isInherited: true },
  { names: /^text-(?:fill|emphasis)-color$/, takes: 'color', use: 'text', holds: 'one', isInherited: true },
  { names: /^text-(?:(?:stroke|decoration)-color|underline-color)$/, takes: 'color', use: 'text', holds: 'one' },
  { names: /^text-(?:fill|stroke|emphasis|decoration)$/, takes: 'color', use: 'text' },
  { names: /^background-color$/, takes: 'color', use: 'ground', holds: 'one' },
  { names: /^background$/, takes: 'color', use: 'ground', holds: 'among' },
  { names: /^background-image$/, takes: 'image', use: 'ground' },
  { names: /^border-image(?:-source)?$/, takes: 'image', use: 'line' },
  { names: new RegExp(`^(?:border|outline)${SIDE}?-color$`), takes: 'color', use: 'line', holds: 'one' },
  { names: /^(?:border|outline)(?:-(?:top|right|bottom|left))?$/, takes: 'color', use: 'line', holds: 'among' },
  { names: new RegExp(`^(?:border|outline)${SIDE}?(?:-colors)?$`), takes: 'color', use: 'line' },
  { names: /^(?:column-rule|row-rule|rule)-color$/, takes: 'color', use: 'line', holds: 'one' },
  { names: /^(?:column-rule|row-rule|rule)$/, takes: 'color', use: 'line' },
  { names: /^(?:border|outline|column-rule)-/, takes: 'none', use: 'other' },
  // Of `@property`: what it may be its `syntax` says.
  { names: /^initial-value$/, takes: 'custom', use: 'other' },
  { names: /^(?:box|text)-shadow$/, takes: 'color', use: 'shadow', holds: 'among' },
  { names: /^(?:backdrop-)?filter$/, takes: 'color', use: 'shadow' },
  { names: /^fill$/, takes: 'color', use: 'fill', holds: 'one', isInherited: true },
  { names: /^(?:stop-color|lighting-color)$/, takes: 'color', use: 'fill', holds: 'one' },
  { names: /^flood-color$/, takes: 'color', use: 'shadow', holds: 'one' },
  { names: /^stroke(?:-color)?$/, takes: 'color', use: 'stroke', holds: 'one', isInherited: true },
  { names: /^(?:caret|accent)-color$/, takes: 'color', use: 'other', holds: 'one', isInherited: true },
  { names: /^(?:caret|scrollbar-color|tap-highlight-color)$/, takes: 'color', use: 'other' },
  {
    names: /^(?:mask|mask-image|mask-box-image|list-style|list-style-image|cursor|content|shape-outside)$/,
    takes: 'image',
    use: 'other',
  },
  { names: /^scrollbar-.*-color$|-color$/, takes: 'color', use: 'other', holds: 'one' },
  { names: /-colors$/, takes: 'color', use: 'other' },
  {
    names:
      /^(?:animation|transition|font|grid|counter|container|will-change|src|unicode-range|quotes|page|view-transition|anchor|position|display|composes|appearance|behavior|timeline|scroll|zoom)(?:-|$)/,
    takes: 'none',
    use: 'other',
  },
]

const VARIABLE: PropertyKind = { takes: 'custom', use: 'variable' }
const UNKNOWN: PropertyKind = { takes: 'unknown', use: 'other' }

/** What a declaration's property takes and paints. */
export function propertyKind(property: string): PropertyKind {
  if (/^(?:--|[$@])/.test(property)) return VARIABLE
  const name = property.toLowerCase().replace(/^-(?:webkit|moz|ms|o|khtml)-/, '')
  return KINDS.find(({ names }) => names.test(name)) ?? UNKNOWN
}
