/** UTF-16 units of a line above which only a part of it is shown: nobody reads a minified line whole, and browsers lay out none of millions. */
export const LONGEST = 1_500

/** Units on each side of the place that is looked at that stay of such a line. */
const AROUND = 400

const CUT = '…'

/** A text whose endless lines are cut. */
export interface Excerpt {
  readonly text: string
  /** Units of the longest line that is cut; null: none is, and the text is as it was received. */
  readonly longest: number | null
  /** Where a place of the received text stands in the excerpt; null: in a part that is left out. Lines stay; columns count from 1. */
  columnOf(line: number, column: number): number | null
}

/** The text with each endless line cut to the part around the place that is looked at, or to its beginning. */
export function excerptOf(text: string, focus: { readonly line: number; readonly column: number }): Excerpt {
  const lines = text.split(/\r\n?|\n/)
  const longest = lines.reduce((most, { length }) => Math.max(most, length), 0)
  if (longest <= LONGEST) return { text, longest: null, columnOf: (_line, column) => column }
  const windows = new Map<number, { readonly start: number; readonly end: number }>()
  const cut = lines.map((line, i) => {
    if (line.length <= LONGEST) return line
    const start = i + 1 === focus.line ? Math.max(0, focus.column - 1 - AROUND) : 0
    const end = Math.min(line.length, start + 2 * AROUND)
    windows.set(i + 1, { start, end })
    return `${start > 0 ? CUT : ''}${line.slice(start, end)}${end < line.length ? CUT : ''}`
  })
  return {
    text: cut.join('\n'),
    longest,
    columnOf(line, column) {
      const window = windows.get(line)
      if (!window) return column
      const { start, end } = window
      const at = column - 1
      return at < start || at >= end ? null : at - start + 1 + (start > 0 ? CUT.length : 0)
    },
  }
}
