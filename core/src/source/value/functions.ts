import { COLOR_FUNCTIONS } from '../../color/literal.ts'

/** What the functions that may stand around a color do with it; all names in lower case. */

/**
 * Functions that make another color of what they are given: those of CSS Color 5, of Sass (global and of `sass:color`), of Less, and what
 * libraries of both add under the same names (common practice, no source).
 */
const COMPUTES =
  /^(?:color-mix|contrast-color|light-dark|darken|lighten|saturate|desaturate|mix|tint|shade|(?:tint|shade|shift)-color|fade|fadein|fadeout|fade-in|fade-out|opacify|transparentize|spin|adjust-hue|(?:adjust|scale|change)-color|color\.[\w-]+|complement|greyscale|contrast|multiply|screen|overlay|softlight|hardlight|difference|exclusion|average|negation|invert|grayscale|ie-hex-str)$/

/** Functions of CSS and of the preprocessors that give back a color as it is, or paint with it. */
const PAINTS =
  /gradient$|^(?:var|drop-shadow|from|to|color-stop|progid|(?:-webkit-)?image-set|cross-fade|image|url|if|default|nth|map-get|map\.get|map-merge|map\.merge|list\..*|join|append|unquote|e|~)$/

/** Functions whose bare words can only be colors, whatever the property. */
const TAKES_WORDS =
  /gradient$|^(?:color-mix|light-dark|contrast-color|drop-shadow|from|to|color-stop|darken|lighten|saturate|desaturate|mix|tint|shade|(?:tint|shade|shift)-color|fade|fadein|fadeout|fade-in|fade-out|opacify|transparentize|spin|adjust-hue|(?:adjust|scale|change)-color|complement|greyscale)$/

/** Functions that hold no color: their text is an address, a name or a number. */
const OPAQUE =
  /^(?:url|src|attr|counters?|env|calc|min|max|clamp|format|local|tech|symbols|path|element|string|target-.*|percentage|unit|length|index|map-has-key|map\.has-key|str-index|selector|unicode-range)$/

export function holdsNoColor(name: string): boolean {
  return OPAQUE.test(name)
}

export function takesColorWords(name: string): boolean {
  return TAKES_WORDS.test(name) || (COLOR_FUNCTIONS.has(name) && name !== 'color')
}

/** Whether a function is known to make a color of colors. */
export function makesColor(name: string): boolean {
  return COMPUTES.test(name) || COLOR_FUNCTIONS.has(name)
}

/** Functions that set the alpha of what they give, or change it: those of color with channels, relative ones among them (CSS Color 5 §4), and of Sass and Less. */
const SETS_ALPHA =
  /^(?:fade|fadein|fadeout|fade-in|fade-out|opacify|transparentize|(?:adjust|scale|change)-color|color\.(?:adjust|scale|change))$/

export function setsAlpha(name: string): boolean {
  return SETS_ALPHA.test(name) || COLOR_FUNCTIONS.has(name)
}

/** The innermost function of a path, outermost first, that makes another color of what it is given; unknown ones are taken to do so. */
export function computingFunction(path: readonly string[]): string | null {
  return path.findLast((name) => !PAINTS.test(name)) ?? null
}
