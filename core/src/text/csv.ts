import papaparse from 'papaparse'

/** What begins a formula to some spreadsheet (common practice, no source), behind white space too and before any line break. */
const FORMULA = /^[\t\r]|^\s*[=+\-@＝＋－＠]/

/** Rows that are written at once. */
const ROWS = 500

/** A table (RFC 4180), a row each, its lines ended by CR LF. What a spreadsheet would take for a formula gets an apostrophe before it. */
export function csvOf(heads: readonly string[], rows: Iterable<readonly unknown[]>): string {
  return [...csvPieces(heads, rows)].join('')
}

/** The same in pieces, so that none of it need be held whole. */
export function* csvPieces(heads: readonly string[], rows: Iterable<readonly unknown[]>): Generator<string> {
  let data: (readonly unknown[])[] = [heads]
  for (const row of rows) {
    data.push(row)
    if (data.length < ROWS) continue
    yield csvLines(data)
    data = []
  }
  if (data.length > 0) yield csvLines(data)
}

/** Some rows of a table. */
export function csvLines(rows: readonly (readonly unknown[])[]): string {
  const data = rows.map((row) => [...row])
  return `${papaparse.unparse(data, { escapeFormulae: FORMULA })}\r\n`
}
