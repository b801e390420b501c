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
  /gradient$|^(?:var|drop-shadow|from|to|color-stop|progid|(?:-webkit-)?image-set|cross-fade|image|url|if|default|nth|index|map-get|map\.get|map-merge|map\.merge|list\..*|join|append|unquote|e|~)$/

/** Functions whose bare words can only be colors, whatever the property. */
const TAKES_WORDS =
  /gradient$|^(?:color-mix|light-dark|contrast-color|drop-shadow|from|to|color-stop|darken|lighten|saturate|desaturate|mix|tint|shade|(?:tint|shade|shift)-color|fade|fadein|fadeout|fade-in|fade-out|opacify|transparentize|spin|adjust-hue|(?:adjust|scale|change)-color|complement|greyscale)$/

/** Functions that hold no color: their text is an address, a name or a number. */
const OPAQUE =
  /^(?:url|src|counters?|style|media|supports|calc|min|max|clamp|format|local|tech|symbols|path|element|string|target-.*|percentage|unit|length|map-has-key|map\.has-key|str-index|selector|unicode-range)$/

export function holdsNoColor(name: string): boolean {
  return OPAQUE.test(name)
}

/** Functions whose first argument is a name; what follows its comma is a value, for when there is none of that name (CSS Values 5 §7, §11). */
export function hasFallback(name: string): boolean {
  return /^(?:var|env|attr)$/.test(name)
}

/** Functions of Sass whose arguments behind the first comma are keys. */
export function looksUp(name: string): boolean {
  return /^(?:map-(?:get|has-key|remove)|map\.(?:get|has-key|remove|deep-remove))$/.test(name)
}

/** Functions of Sass that take a list. */
export function takesList(name: string): boolean {
  return /^(?:index|nth|join|append|list\.(?:index|nth|join|append))$/.test(name)
}

/** Whether it is known what a function does with its arguments; of others a preprocessor may have any, and they may take names. */
export function isKnown(name: string): boolean {
  return PAINTS.test(name) || makesColor(name) || TAKES_WORDS.test(name) || hasFallback(name)
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
