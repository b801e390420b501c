/** One media feature of width. */
export interface Width {
  readonly side: 'min' | 'max'
  readonly value: number
  readonly unit: string
}

/** Media features of width (Media Queries 4 §4.1). */
const WIDTH = /\(\s*(min|max)-width\s*:\s*([\d.]+)(px|em|rem)\s*\)/gi

export function widthsIn(text: string): Width[] {
  return [...text.matchAll(WIDTH)].map(([, side, value, unit]) => ({
    side: side?.toLowerCase() as Width['side'],
    value: Number(value),
    unit: unit?.toLowerCase() ?? '',
  }))
}

/** Whether one holds nowhere but where the other does. */
export function isWithinWidth(a: Width, b: Width): boolean {
  return a.side === b.side && a.unit === b.unit && (a.side === 'max' ? a.value <= b.value : a.value >= b.value)
}

/** Whether two hold nowhere together. */
export function excludes(a: Width, b: Width): boolean {
  if (a.side === b.side || a.unit !== b.unit) return false
  return a.side === 'max' ? b.value > a.value : b.value < a.value
}

/** The same of texts, as scopes have them: some features joined by `and`. */
export function isNarrowerWidth(a: string, b: string): boolean {
  const own = widthsIn(a)
  return widthsIn(b).every((wanted) => own.some((each) => isWithinWidth(each, wanted)))
}

/** Where two hold together; null: nowhere. */
export function bothWidths(a: string | null, b: string | null): string | null | 'never' {
  if (a === null || b === null) return a ?? b
  if (isNarrowerWidth(a, b)) return a
  if (isNarrowerWidth(b, a)) return b
  const isApart = widthsIn(a).some((one) => widthsIn(b).some((other) => excludes(one, other)))
  return isApart ? 'never' : `${a} and ${b}`
}

/** Whether a text is a media feature of width, as scopes take it. */
export function isWidth(text: string): boolean {
  return new RegExp(`^${WIDTH.source}$`, 'i').test(text)
}

/** The media features of width in at-rules. */
export function widthsOf(atRules: readonly string[]): string[] {
  return atRules.flatMap((rule) => widthsIn(rule).map(({ side, value, unit }) => `(${side}-width: ${value}${unit})`))
}
