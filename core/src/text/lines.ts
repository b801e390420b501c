/** Line and column of an offset; both count from 1, the column in UTF-16 code units. */
export interface Position {
  readonly line: number
  readonly column: number
}

/** Offsets at which each line of a text begins. CRLF, CR and LF each end a line (CSS Syntax 3 §3.3 counts form feed too; editors do not, nor does this). */
export function lineStarts(text: string): number[] {
  const starts = [0]
  // Most texts have no CR: searching for LF alone is many times faster than looking at every unit.
  if (!text.includes('\r')) {
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1)
    return starts
  }
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i)
    if (unit === 10 || (unit === 13 && text.charCodeAt(i + 1) !== 10)) starts.push(i + 1)
  }
  return starts
}

/** How the lines of a text end: as its first does; LF where it has one line. Linear. */
export function lineEndOf(text: string): '\r\n' | '\n' | '\r' {
  const [end] = /\r\n|\n|\r/.exec(text) ?? ['\n']
  return end as '\r\n' | '\n' | '\r'
}

/** Position of an offset, given its text's line starts; O(log lines). */
export function positionAt(starts: readonly number[], offset: number): Position {
  let low = 0
  let high = starts.length - 1
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if ((starts[middle] ?? 0) <= offset) low = middle
    else high = middle - 1
  }
  return { line: low + 1, column: offset - (starts[low] ?? 0) + 1 }
}
