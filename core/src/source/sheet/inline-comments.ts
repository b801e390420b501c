/**
 * Turns the `//` comments of SCSS and Less into block comments of the same length, so that every offset stays and one parser reads
 * both. Strings, block comments and url() are left alone: `//` in them is text. A comment of three units or fewer becomes blanks. Linear.
 */
export function blockComments(text: string): string {
  let out = ''
  let kept = 0
  for (let i = 0; i < text.length; ) {
    const end = skipText(text, i)
    if (end > i) {
      i = end
      continue
    }
    if (text[i] !== '/' || text[i + 1] !== '/') {
      i++
      continue
    }
    let stop = i
    while (stop < text.length && text[stop] !== '\n' && text[stop] !== '\r') stop++
    const length = stop - i
    const inner = text.slice(i + 2, stop - 2).replaceAll('*/', '  ')
    out += text.slice(kept, i) + (length < 4 ? ' '.repeat(length) : `/*${inner}*/`)
    kept = i = stop
  }
  return out + text.slice(kept)
}

/** Where the string, block comment or url( ) that begins at `i` ends; `i` where none does. */
function skipText(text: string, i: number): number {
  const char = text[i]
  if (char === '"' || char === "'") {
    for (let at = i + 1; at < text.length; at++) {
      if (text[at] === '\\') at++
      else if (text[at] === char || text[at] === '\n' || text[at] === '\r') return at + 1
    }
    return text.length
  }
  if (char === '/' && text[i + 1] === '*') {
    const end = text.indexOf('*/', i + 2)
    return end < 0 ? text.length : end + 2
  }
  if ((char === 'u' || char === 'U') && /^url\(\s*(?!["'\s])/i.test(text.slice(i, i + 8))) {
    for (let at = i + 4; at < text.length; at++) if (text[at] === ')' || text[at] === '\n') return at
    return text.length
  }
  return i
}
