import { COLOR_NAMES } from '../../color/names.ts'

/** A color that is written out, its `#` as an escape or left out too. */
const WRITTEN = String.raw`#[\da-f]{3}|["'\x60][\da-f]{6}["'\x60]|\\(?:x23|u0023|u\{23)|\b(?:(?:rgb|hsl)a?|hwb|(?:ok)?l(?:ab|ch)|color)\(`
/** The name of one at the beginning of a string, or where a line of a border may have it. */
const NAMED = String.raw`(?:["'\x60]|\b(?:solid|dashed|dotted|double|groove|ridge|inset|outset)\s|\d(?:px|r?em)?\s)\s*(?:${[...COLOR_NAMES.keys()].join('|')})\b`
/** A declaration of CSS, or an attribute, that may have the name of one. */
const DECLARED = String.raw`(?:color|background|border|outline|fill|stroke|shadow|gradient)[\w-]*\s*[:(=]`
const FILE = String.raw`\.(?:css|m?js|png|jpe?g|gif|svg|webp|avif|json|html?|scss|less)\b`

const COLOR = new RegExp(`${WRITTEN}|${NAMED}|${DECLARED}`, 'i')
/** Colors, and the names of files. */
export const ANYTHING = new RegExp(`${WRITTEN}|${NAMED}|${DECLARED}|${FILE}`, 'gi')

/** A cheap test, so that most libraries are never parsed: whether a script may hold a color. */
export function mayPaint(text: string): boolean {
  return COLOR.test(text)
}

/** Whether it may do something to classes or styles when a visitor acts. */
export function mayBehave(text: string): boolean {
  return (
    /addEventListener|\bon(?:scroll|mouse|click|focus|blur|touch|pointer)|\.(?:on|bind|scroll|hover|click|mouse\w+)\(|IntersectionObserver/.test(
      text,
    ) && /classList|Class\(|\.style\b|\.css\(/.test(text)
  )
}

/** What handlers, elements, styles, classes and thresholds are written with. */
export const DOINGS =
  /addEventListener|\bon[a-z]+\s*=|\.(?:on|bind|hover|scroll|click|mouse\w+|focus|blur)\(|IntersectionObserver|classList|Class\(|\.style\b|\.css\(|querySelector|getElement|\$\(|jQuery\(|document\.|scrollY|pageYOffset|scrollTop|=\s*\d/g

/** Where in a script something may be of interest. The rest of its tree is not looked at. */
export class Interest {
  readonly #offsets: number[] = []

  constructor(text: string, pattern: RegExp) {
    for (const { 0: found, index } of text.matchAll(pattern)) this.#offsets.push(index + found.length - 1)
  }

  /** Whether a stretch of the text holds any of it. */
  isIn(start: number, end: number): boolean {
    const offsets = this.#offsets
    let [from, to] = [0, offsets.length]
    while (from < to) {
      const middle = (from + to) >> 1
      if ((offsets[middle] as number) < start) from = middle + 1
      else to = middle
    }
    return from < offsets.length && (offsets[from] as number) < end
  }
}
