import papaparse from 'papaparse'

/** What begins a formula to some spreadsheet (common practice, no source), behind white space too and before any line break. */
const FORMULA = /^[\t\r]|^\s*[=+\-@＝＋－＠]/

/** A table (RFC 4180), a row each, its lines ended by CR LF. What a spreadsheet would take for a formula gets an apostrophe before it. */
export function csvOf(heads: readonly string[], rows: readonly (readonly unknown[])[]): string {
  const data = rows.map((row) => [...row])
  return `${papaparse.unparse({ fields: [...heads], data }, { escapeFormulae: FORMULA })}\r\n`
}
