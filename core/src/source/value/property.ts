import type { Use } from '../occurrence.ts'

/**
 * What the value of a property may hold: a color anywhere in it (`color`), only inside functions such as gradients (`image`),
 * custom text (`custom`), anything, since nobody knows the property (`unknown`), or no color at all (`none`).
 */
export type Takes = 'color' | 'image' | 'custom' | 'unknown' | 'none'

export interface PropertyKind {
  readonly takes: Takes
  readonly use: Use
}

/** First match wins. Names without vendor prefix; sources: the property indexes of the CSS specifications, and the browsers' own old ones. */
const KINDS: readonly (readonly [RegExp, Takes, Use])[] = [
  [/^(?:color|text-(?:fill|stroke|emphasis|decoration)(?:-color)?|text-underline-color)$/, 'color', 'text'],
  [/^background(?:-color)?$/, 'color', 'ground'],
  [/^background-image$/, 'image', 'ground'],
  [/^border-image(?:-source)?$/, 'image', 'line'],
  [/^(?:border|outline)(?:-(?:top|right|bottom|left|block|inline)(?:-(?:start|end))?)?(?:-colors?)?$/, 'color', 'line'],
  [/^(?:column-rule|row-rule|rule)(?:-color)?$/, 'color', 'line'],
  [/^(?:border|outline|column-rule)-/, 'none', 'other'],
  // Of `@property`: what it may be its `syntax` says.
  [/^initial-value$/, 'custom', 'other'],
  [/^(?:box|text)-shadow$/, 'color', 'shadow'],
  [/^(?:backdrop-)?filter$/, 'color', 'shadow'],
  [/^(?:fill|stop-color|lighting-color)$/, 'color', 'fill'],
  [/^flood-color$/, 'color', 'shadow'],
  [/^stroke(?:-color)?$/, 'color', 'stroke'],
  [/^(?:caret|scrollbar-color|tap-highlight-color)$/, 'color', 'other'],
  [/^(?:mask|mask-image|mask-box-image|list-style|list-style-image|cursor|content|shape-outside)$/, 'image', 'other'],
  [/^scrollbar-.*-color$|-color$|-colors$/, 'color', 'other'],
  [
    /^(?:animation|transition|font|grid|counter|container|will-change|src|unicode-range|quotes|page|view-transition|anchor|position|display|composes|appearance|behavior|timeline|scroll|zoom)(?:-|$)/,
    'none',
    'other',
  ],
]

/** What a declaration's property takes and paints. */
export function propertyKind(property: string): PropertyKind {
  if (/^(?:--|[$@])/.test(property)) return { takes: 'custom', use: 'variable' }
  const name = property.toLowerCase().replace(/^-(?:webkit|moz|ms|o|khtml)-/, '')
  const found = KINDS.find(([pattern]) => pattern.test(name))
  return found ? { takes: found[1], use: found[2] } : { takes: 'unknown', use: 'other' }
}
