import { OF_RULE } from './occurrence.ts'
import type { Place } from './place.ts'

/** One member of all rows: the same in all, numbers, or codes of values that stand once. */
export type PackedColumn =
  | { readonly all: unknown }
  | { readonly numbers: readonly number[] }
  | { readonly values: readonly unknown[]; readonly codes: readonly number[] }

/** Rows in columns. */
export interface PackedTable {
  readonly length: number
  /** The members of a row, in their order; of a place `range` stands for the columns `start` and `end`, and what has no column is its rule's, at `rule`. */
  readonly names: readonly string[]
  readonly columns: Readonly<Record<string, PackedColumn>>
}

/** Lists of places, and the rules in which they stand. */
export interface PackedPlaces {
  readonly rules: PackedTable
  readonly lists: Readonly<Record<string, PackedTable>>
}

const SHARED: ReadonlySet<string> = new Set(OF_RULE)

type Row = Readonly<Record<string, unknown>>

/**
 * Places in tables that tell each selector, subject and condition once: what stands in one rule would repeat them for each of its colors, and a
 * rule of many selectors and colors takes the square of its length.
 * @param lists of each all places have the same members
 */
export function packPlaces(lists: Readonly<Record<string, readonly Place[]>>): PackedPlaces {
  const rules = new RuleRows()
  const tables = Object.entries(lists).map(([name, places]) => [name, placesTable(places, rules)] as const)
  return { lists: Object.fromEntries(tables), rules: tableOf(rules.rows, OF_RULE) }
}

/** The places of such tables; those of one rule have its very lists. */
export function unpackPlaces({ rules, lists }: PackedPlaces): Record<string, Row[]> {
  const standing = rowsOf(rules)
  return Object.fromEntries(Object.entries(lists).map(([name, table]) => [name, placesOf(table, standing)]))
}

/** The rules in which places stand, each once. */
class RuleRows {
  readonly rows: Row[] = []
  private readonly known = new Map<string, number>()
  private last: { readonly rule: Row; readonly index: number } | null = null

  indexOf(place: Row, names: readonly string[]): number {
    const { last } = this
    // Neighbours mostly stand in one rule, and were given its very lists.
    if (last && names.every((name) => place[name] === last.rule[name])) return last.index
    const rule = Object.fromEntries(names.map((name) => [name, place[name]]))
    const key = JSON.stringify(rule)
    const index = this.known.get(key) ?? this.rows.push(rule) - 1
    this.known.set(key, index)
    this.last = { rule, index }
    return index
  }
}

function placesTable(places: readonly Place[], rules: RuleRows): PackedTable {
  const rows = places as unknown as readonly Row[]
  const names = Object.keys(rows[0] ?? {})
  // What tells of its rule only a part keeps that to itself.
  const shared = names.includes('subjects') ? names.filter((name) => SHARED.has(name)) : []
  const own = names.filter((name) => name !== 'range' && !shared.includes(name))
  const columns: Record<string, PackedColumn> = {
    ...tableOf(rows, own).columns,
    start: { numbers: places.map(({ range }) => range.start) },
    end: { numbers: places.map(({ range }) => range.end) },
  }
  if (shared.length > 0) columns.rule = { numbers: rows.map((row) => rules.indexOf(row, shared)) }
  return { length: rows.length, names, columns }
}

function tableOf(rows: readonly Row[], names: Iterable<string>): PackedTable {
  const columns = Array.from(names, (name) => [name, columnOf(rows.map((row) => row[name] ?? null))] as const)
  return { length: rows.length, names: [...names], columns: Object.fromEntries(columns) }
}

function columnOf(items: readonly unknown[]): PackedColumn {
  if (items.every((item) => typeof item === 'number')) return { numbers: items }
  const values: unknown[] = []
  const codes = new Map<unknown, number>()
  const composed = new Map<string, number>()
  const codeOf = (item: unknown): number => {
    const known = codes.get(item)
    if (known !== undefined) return known
    const key = typeof item === 'object' && item !== null ? JSON.stringify(item) : null
    const code = (key === null ? undefined : composed.get(key)) ?? values.push(item) - 1
    if (key !== null) composed.set(key, code)
    codes.set(item, code)
    return code
  }
  const column = items.map(codeOf)
  return values.length === 1 ? { all: values[0] } : { values, codes: column }
}

function placesOf(table: PackedTable, standing: readonly Row[]): Row[] {
  const { length, names, columns } = table
  const [start, end, rule] = [columns.start, columns.end, columns.rule].map((column) => column && valuesOf(column))
  const members = names.map((name) => ({ name, at: columns[name] && valuesOf(columns[name]) }))
  return Array.from({ length }, (_, i) => {
    const of = standing[rule?.(i) as number]
    const row: Record<string, unknown> = {}
    for (const { name, at } of members)
      row[name] = name === 'range' ? { start: start?.(i), end: end?.(i) } : at ? at(i) : of?.[name]
    return row
  })
}

function rowsOf({ length, names, columns }: PackedTable): Row[] {
  const members = names.map((name) => [name, valuesOf(columns[name] as PackedColumn)] as const)
  return Array.from({ length }, (_, i) => Object.fromEntries(members.map(([name, at]) => [name, at(i)])))
}

function valuesOf(column: PackedColumn): (index: number) => unknown {
  if ('all' in column) return () => column.all
  if ('numbers' in column) return (i) => column.numbers[i]
  return (i) => column.values[column.codes[i] as number]
}
