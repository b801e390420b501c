import type { Occurrence } from '../source/occurrence.ts'
import { FIELDS, type Field, type LedgerPlace, POSITIONS, type PositionField } from './fields.ts'

/** One field of all places: the code of each place leads to its value. */
export interface Column<T> {
  readonly codes: Uint32Array
  /** Each once, in the order in which they first appear. */
  readonly values: readonly T[]
}

/**
 * Every place of a snapshot, by file and position, in columns: about 100 bytes a place beside the distinct values, where objects take
 * ten times that, and a question about all of them is one walk over numbers.
 */
export interface Ledger {
  readonly length: number
  readonly positions: { readonly [P in PositionField]: Uint32Array }
  readonly columns: { readonly [F in Field]: Column<LedgerPlace[F]> }
}

/** What one file contributes. */
export interface FilePlaces {
  readonly path: string
  readonly occurrences: readonly Occurrence[]
}

/** The ledger of some files, in their order. Linear in the occurrences. */
export function ledgerOf(files: readonly FilePlaces[]): Ledger {
  const length = files.reduce((sum, { occurrences }) => sum + occurrences.length, 0)
  const positions = Object.fromEntries(POSITIONS.map((name) => [name, new Uint32Array(length)])) as Positions
  const columns = FIELDS.map((field) => ({ field, codes: new Uint32Array(length), values: new ValueTable() }))
  let at = 0
  for (const { path, occurrences } of files)
    for (const occurrence of occurrences) {
      positions.start[at] = occurrence.range.start
      positions.end[at] = occurrence.range.end
      positions.line[at] = occurrence.line
      positions.column[at] = occurrence.column
      for (const { field, codes, values } of columns)
        codes[at] = values.codeOf(field === 'path' ? path : occurrence[field as Exclude<Field, 'path'>])
      at++
    }
  const named = columns.map(({ field, codes, values }) => [field, { codes, values: values.list }])
  return { length, positions, columns: Object.fromEntries(named) as Ledger['columns'] }
}

type Positions = Record<PositionField, Uint32Array<ArrayBuffer>>

/** Gives equal values one code. */
class ValueTable {
  readonly list: unknown[] = []
  private readonly scalars = new Map<unknown, number>()
  private readonly lists = new Map<string, number>()

  codeOf(value: unknown): number {
    const composed = typeof value === 'object' && value !== null
    const [codes, key] = composed ? [this.lists, JSON.stringify(value)] : [this.scalars, value]
    const known = (codes as Map<unknown, number>).get(key)
    if (known !== undefined) return known
    ;(codes as Map<unknown, number>).set(key, this.list.length)
    return this.list.push(value) - 1
  }
}

/** What a place has in one field. @param index 0 to length - 1 */
export function valueAt<F extends Field>(ledger: Ledger, field: F, index: number): LedgerPlace[F] {
  const { codes, values } = ledger.columns[field]
  return values[codes[index] as number] as LedgerPlace[F]
}

/** A place as it was read. Equal lists of two places may be one object. @param index 0 to length - 1 */
export function placeAt(ledger: Ledger, index: number): LedgerPlace {
  const { start, end, line, column } = ledger.positions
  const fields = FIELDS.map((field) => [field, valueAt(ledger, field, index)])
  return {
    ...(Object.fromEntries(fields) as Pick<LedgerPlace, Field>),
    index,
    range: { start: start[index] as number, end: end[index] as number },
    line: line[index] as number,
    column: column[index] as number,
  }
}
