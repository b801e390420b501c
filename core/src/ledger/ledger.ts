import type { Occurrence } from '../source/occurrence.ts'
import { FIELDS, type Field, type LedgerPlace, LISTS, type ListField, POSITIONS, type PositionField } from './fields.ts'

/** One field of all places: the code of each place leads to its value. */
export interface Column<T> {
  readonly codes: Uint32Array
  /** Each once, in the order in which they first appear. */
  readonly values: readonly T[]
}

/** One field of all places whose values are lists of texts: an array for each list would take more than all else together. */
export interface ListColumn {
  readonly codes: Uint32Array
  /** Where each list ends in `items`; it starts where the one before ends. */
  readonly ends: Uint32Array
  /** Indices of texts. */
  readonly items: Uint32Array
}

/**
 * Every place of a snapshot, by file and position, in columns: about 100 bytes a place beside the distinct values, where objects take
 * ten times that, and a question about all of them is one walk over numbers.
 */
export interface Ledger {
  readonly length: number
  readonly positions: { readonly [P in PositionField]: Uint32Array }
  readonly columns: { readonly [F in Field]: Column<LedgerPlace[F]> }
  readonly lists: { readonly [L in ListField]: ListColumn }
  /** What the lists consist of; the values of `selector` stand first, since most subjects are one of them. */
  readonly texts: readonly (string | null)[]
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
        codes[at] = values.codeOf(field === 'path' ? path : occurrence[field])
      at++
    }
  const named = columns.map(({ field, codes, values }) => [field, { codes, values: values.list }])
  const byField = Object.fromEntries(named) as Ledger['columns']
  return { length, positions, columns: byField, ...listsOf(files, length, byField.selector.values) }
}

type Positions = Record<PositionField, Uint32Array<ArrayBuffer>>

function listsOf(
  files: readonly FilePlaces[],
  length: number,
  selectors: readonly (string | null)[],
): Pick<Ledger, 'lists' | 'texts'> {
  const texts = new ValueTable(selectors)
  const lists = LISTS.map((field) => {
    const codes = new Uint32Array(length)
    const distinct = new ValueTable()
    let at = 0
    for (const { occurrences } of files)
      for (const occurrence of occurrences) codes[at++] = distinct.codeOf(occurrence[field])
    const ends = new Uint32Array(distinct.list.length)
    const items: number[] = []
    ;(distinct.list as (readonly string[])[]).forEach((list, code) => {
      for (const text of list) items.push(texts.codeOf(text))
      ends[code] = items.length
    })
    return [field, { codes, ends, items: Uint32Array.from(items) }]
  })
  return { lists: Object.fromEntries(lists) as Ledger['lists'], texts: texts.list as (string | null)[] }
}

/** Gives equal values one code. */
class ValueTable {
  readonly list: unknown[] = []
  private readonly scalars = new Map<unknown, number>()
  private readonly lists = new Map<string, number>()

  constructor(values: readonly unknown[] = []) {
    for (const value of values) this.codeOf(value)
  }

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

/** The lists of a column that were asked for: places of one rule share them, or those of a rule of many selectors would take the square of its length. */
const asked = new WeakMap<ListColumn, (readonly string[] | undefined)[]>()

/** The list that a place has in one field, the same for all that have it. @param index 0 to length - 1 */
export function listAt(ledger: Ledger, field: ListField, index: number): readonly string[] {
  const column = ledger.lists[field]
  const code = column.codes[index] as number
  const known = asked.get(column) ?? []
  asked.set(column, known)
  return (known[code] ??= listOf(ledger, field, code))
}

/** One of the distinct lists of a field. @param code of `lists[field].codes` */
export function listOf({ lists, texts }: Ledger, field: ListField, code: number): readonly string[] {
  const { ends, items } = lists[field]
  const list: string[] = []
  for (let at = code === 0 ? 0 : (ends[code - 1] as number); at < (ends[code] as number); at++)
    list.push(texts[items[at] as number] as string)
  return list
}

/** The distinct lists of a field, in the order of their codes. Made anew each time. */
export function listsIn(ledger: Ledger, field: ListField): (readonly string[])[] {
  return Array.from(ledger.lists[field].ends, (_, code) => listOf(ledger, field, code))
}

/** A place as it was read. @param index 0 to length - 1 */
export function placeAt(ledger: Ledger, index: number): LedgerPlace {
  const { start, end, line, column } = ledger.positions
  const fields = FIELDS.map((field) => [field, valueAt(ledger, field, index)])
  const lists = LISTS.map((field) => [field, listAt(ledger, field, index)])
  return {
    ...(Object.fromEntries(fields) as Pick<LedgerPlace, Field>),
    ...(Object.fromEntries(lists) as Pick<LedgerPlace, ListField>),
    index,
    range: { start: start[index] as number, end: end[index] as number },
    line: line[index] as number,
    column: column[index] as number,
  }
}
