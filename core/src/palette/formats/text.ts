import { COLOR_NAMES } from '../../color/names.ts'
import { type Offer, type Offered, offered, type Refused, refused } from './offer.ts'

/** A color as people write it into a mail: a hex value, a function, or six digits without their `#`. */
const WRITTEN =
  /#[\da-f]{3,8}(?![\da-z])|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{1,100}\)|(?<![\w#.,-])(?=[a-f]*\d)[\da-f]{6}(?![\w-])/gi

/** Longer lines are no names of colors, and hold none. */
const LONGEST = 1000

/**
 * The colors of a pasted text, several on a line or one on each, each with the words before it, or behind it, as its name. A name with a `#` behind it
 * that begins no color is refused; any other line without a color is what people write around them, and left out.
 */
export function readText(text: string): Offer {
  const colors: Offered[] = []
  const lost: Refused[] = []
  text.split(/\r\n|\r|\n/).forEach((whole, i) => {
    const line = whole.slice(0, LONGEST)
    const found = [...line.matchAll(WRITTEN)]
    if (found.length === 0) {
      const [, name = '', word = ''] = /^\s*([^:=]{1,60}?)\s*[:=]\s*(\S+?)[\s;,.]*$/.exec(line) ?? []
      const color = COLOR_NAMES.has(word.toLowerCase()) ? offered(nameIn(name), word, i + 1) : null
      if (color) colors.push(color)
      else if (name !== '' && word.startsWith('#')) lost.push(refused(i + 1, line, 'no-color'))
      return
    }
    let at = 0
    found.forEach((match, n) => {
      const end = match.index + match[0].length
      const behind = line.slice(end, found[n + 1]?.index ?? line.length)
      const name = nameIn(line.slice(at, match.index)) ?? (found.length === 1 ? nameIn(behind) : null)
      const color = offered(name, match[0], i + 1, /^[\da-f]{6}$/i.test(match[0]))
      if (color) colors.push(color)
      else lost.push(refused(i + 1, match[0], 'no-color'))
      at = end
    })
  })
  return { format: 'text', colors, refused: lost }
}

/** What words around a color call it: bullets, quotes, dashes and colons taken off. */
function nameIn(words: string): string | null {
  const name = words
    .replace(/^[\s\-–—*•·>,;.:="'()|]+|[\s\-–—:=,;."'()|]+$/g, '')
    .replace(/\s+/g, ' ')
    .trim()
  return /\p{L}/u.test(name) && name.length <= 60 ? name : null
}
