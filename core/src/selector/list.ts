/** Pseudo-elements at the end of a selector, with the pseudo-classes behind them: nothing else may follow them (Selectors 4 §3.6). */
const PSEUDO_ELEMENT =
  /(?:::[\w-]+(?:\([^()]*\))?|:(?:before|after|first-line|first-letter))(?::[\w-]+(?:\([^()]*\))?)*$/i

/** The selectors of a list as they are written, without white space around them: commas in brackets, strings and comments part nothing. Linear. */
export function splitList(list: string): string[] {
  const parts: string[] = []
  let depth = 0
  let start = 0
  for (let at = 0; at < list.length; at++) {
    const unit = list[at]
    if (unit === '\\') at++
    else if (unit === '"' || unit === "'") {
      for (at++; at < list.length && list[at] !== unit; at++) if (list[at] === '\\') at++
    } else if (unit === '/' && list[at + 1] === '*') {
      const end = list.indexOf('*/', at + 2)
      at = end < 0 ? list.length : end + 1
    } else if (unit === '(' || unit === '[') depth++
    else if (unit === ')' || unit === ']') depth--
    else if (unit === ',' && depth <= 0) {
      parts.push(list.slice(start, at).trim())
      start = at + 1
    }
  }
  return [...parts, list.slice(start).trim()]
}

/** Whether a selector ends in a pseudo-element. */
export function hasPseudoElement(selector: string): boolean {
  return PSEUDO_ELEMENT.test(selector)
}

/**
 * A selector for those of its elements alone that are, or stand within, an element of each region; exactly as strong as it was, since `:where()`
 * adds nothing (Selectors 4 §17).
 * @param regions compound selectors
 */
export function limitedTo(selector: string, regions: readonly string[]): string {
  const at = PSEUDO_ELEMENT.exec(selector)?.index ?? selector.length
  const conditions = regions.map((region) => `:where(${region}, ${region} *)`)
  return selector.slice(0, at) + conditions.join('') + selector.slice(at)
}
