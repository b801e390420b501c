const BACKSLASH = 92
const LF = 10
const FF = 12
const CR = 13

/** Where the string that begins at `i` ends: behind its closing quote, or at the line end that breaks it. */
export function skipString(text: string, i: number): number {
  const quote = text.charCodeAt(i)
  let at = i + 1
  for (; at < text.length; at++) {
    const code = text.charCodeAt(at)
    if (code === quote) return at + 1
    if (code === BACKSLASH) at += text.charCodeAt(at + 1) === CR && text.charCodeAt(at + 2) === LF ? 2 : 1
    else if (code === LF || code === CR || code === FF) return at
  }
  return text.length
}

/** Finds the next place of a sign, remembering it, so that asking at every bracket stays linear. */
export function nextOf(text: string, sign: string): (from: number) => number {
  let known = -2
  return (from) => {
    if (known !== -1 && known < from) known = text.indexOf(sign, from)
    return known
  }
}
