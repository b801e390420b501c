import type { Use } from './occurrence.ts'
import { propertyKind, type Takes } from './value/property.ts'

/** Words by which people name what holds a color (common practice, no source). */
const NAMED =
  /colou?r|background|gradient|(?:^|[-_\s])(?:bg|fg|fill|stroke|tint|tone|shade|accent|palette|swatch|hue)(?:$|[-_\s\d])/i

/** `backgroundColor`, `themeColour` as a style sheet would write them. */
export function inKebab(name: string): string {
  return name
    .replace(/([a-z\d])([A-Z])/g, '$1-$2')
    .replace(/[\s_]+/g, '-')
    .toLowerCase()
}

/** Whether a key, a variable or a function is named like something that holds a color. */
export function isNamedColor(name: string): boolean {
  return NAMED.test(inKebab(name))
}

/** What holds an address, a mark in a page, an identifier or the number of a build (common practice, no source): `#bed` there is no color. */
const ADDRESSED =
  /(?:^|-)(?:urls?|uri|href|src|srcset|action|formaction|anchors?|hash|fragment|ids?|permalink|slug|path|route|redirect|endpoint|cite|poster|target|ref|tab|parent|controls|toggle|for|build|version|revision|rev|commit|sha|checksum|uuid|guid|ticket|issue)$/

/** Whether a key, an attribute or a variable is named like something that holds no color, whatever its value looks like. */
export function isNamedAddress(name: string): boolean {
  return ADDRESSED.test(inKebab(name.replace(/^[\w-]*:/, '')))
}

/** What a key paints, by its name: as the property of that name, or as the property that its name ends in. */
export function namedKind(name: string): { readonly property: string; readonly takes: Takes; readonly use: Use } {
  const property = inKebab(name)
  const { takes, use } = propertyKind(property)
  if (use !== 'other' && use !== 'variable') return { property, takes, use }
  const words = property.replace(/^-+/, '')
  const found = USES.find(([pattern]) => pattern.test(words))
  return { property, takes: takes === 'none' ? 'unknown' : takes, use: found?.[1] ?? 'other' }
}

/** First match wins (common practice, no source). */
const USES: readonly (readonly [RegExp, Use])[] = [
  [/(?:^|-)(?:background|bg|ground)(?:-|$)/, 'ground'],
  [/(?:^|-)(?:border|outline|line|rule|divider)(?:-|$)/, 'line'],
  [/(?:^|-)(?:text|fg|foreground|font|link|heading)(?:-|$)/, 'text'],
  [/(?:^|-)stroke(?:-|$)/, 'stroke'],
  [/(?:^|-)fill(?:-|$)/, 'fill'],
  [/(?:^|-)shadow(?:-|$)/, 'shadow'],
]
