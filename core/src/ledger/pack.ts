import { FIELDS, type Field, LISTS, type ListField, POSITIONS } from './fields.ts'
import type { Column, Ledger, ListColumn } from './ledger.ts'

/** Raised whenever the form changes, and READING_VERSION with it. */
const FORM = 3

/**
 * What stands before the columns of a packed ledger. The form: the length of this text in bytes as 32 bits, little end first; this text as
 * JSON in UTF-8, filled up with spaces to a multiple of four; then, in its order and 32 bits each, the positions, the codes of the fields,
 * and of each field of lists its codes, its ends and its items.
 */
export interface LedgerHeader {
  readonly form: number
  readonly length: number
  readonly positions: readonly string[]
  readonly fields: readonly { readonly name: string; readonly values: readonly unknown[] }[]
  /** How many distinct lists each field has, and how many items they have together. */
  readonly lists: readonly { readonly name: string; readonly lists: number; readonly items: number }[]
  /** What the lists consist of, behind the values of `selector`. */
  readonly texts: readonly unknown[]
}

/** A ledger as bytes, to be stored and sent. */
export function packLedger({ length, positions, columns, lists, texts }: Ledger): Uint8Array<ArrayBuffer> {
  const header: LedgerHeader = {
    form: FORM,
    length,
    positions: POSITIONS,
    fields: FIELDS.map((name) => ({ name, values: columns[name].values })),
    lists: LISTS.map((name) => ({ name, lists: lists[name].ends.length, items: lists[name].items.length })),
    texts: texts.slice(columns.selector.values.length),
  }
  const text = new TextEncoder().encode(JSON.stringify(header))
  const first = 4 + Math.ceil(text.length / 4) * 4
  const arrays = [
    ...POSITIONS.map((name) => positions[name]),
    ...FIELDS.map((name) => columns[name].codes),
    ...LISTS.flatMap((name) => [lists[name].codes, lists[name].ends, lists[name].items]),
  ]
  const bytes = new Uint8Array(first + 4 * arrays.reduce((sum, array) => sum + array.length, 0)).fill(0x20, 4, first)
  const view = new DataView(bytes.buffer)
  view.setUint32(0, first - 4, true)
  bytes.set(text, 4)
  let at = first
  for (const array of arrays)
    for (const value of array) {
      view.setUint32(at, value, true)
      at += 4
    }
  return bytes
}

/**
 * The ledger of packed bytes, its columns as views of them; null: they are none. Codes lead to values, and lists are of texts: that is
 * checked. What the other values are is for the boundary to check.
 * @param bytes on a machine whose numbers have their little end first, as all that browsers run on
 */
export function unpackLedger(bytes: Uint8Array): Ledger | null {
  const header = headerOf(bytes)
  if (!header) return null
  const { length } = header
  const first = 4 + new DataView(bytes.buffer, bytes.byteOffset).getUint32(0, true)
  const counts = header.lists.reduce((sum, { lists, items }) => sum + length + lists + items, 0)
  if (bytes.length !== first + 4 * ((POSITIONS.length + FIELDS.length) * length + counts)) return null
  const aligned = bytes.byteOffset % 4 === 0 ? bytes : bytes.slice()
  let at = aligned.byteOffset + first
  const next = (count: number) => {
    const array = new Uint32Array(aligned.buffer, at, count)
    at += count * 4
    return array
  }
  const positions = Object.fromEntries(POSITIONS.map((name) => [name, next(length)])) as Ledger['positions']
  const columns = {} as Record<Field, Column<unknown>>
  for (const [i, name] of FIELDS.entries()) {
    const { values } = header.fields[i] as LedgerHeader['fields'][number]
    columns[name] = { codes: next(length), values }
    if (!isWithin(columns[name].codes, values.length)) return null
  }
  const texts = [...columns.selector.values, ...header.texts]
  const lists = {} as Record<ListField, ListColumn>
  for (const [i, name] of LISTS.entries()) {
    const counted = header.lists[i] as LedgerHeader['lists'][number]
    lists[name] = { codes: next(length), ends: next(counted.lists), items: next(counted.items) }
    if (!isOfTexts(lists[name], texts)) return null
  }
  return { length, positions, columns: columns as Ledger['columns'], lists, texts: texts as Ledger['texts'] }
}

function isOfTexts({ codes, ends, items }: ListColumn, texts: readonly unknown[]): boolean {
  return (
    isWithin(codes, ends.length) &&
    isWithin(ends, items.length + 1) &&
    ends.every((end, code) => code === 0 || end >= (ends[code - 1] as number)) &&
    items.every((item) => typeof texts[item] === 'string')
  )
}

function isWithin(codes: Uint32Array, limit: number): boolean {
  for (let at = 0; at < codes.length; at++) if ((codes[at] as number) >= limit) return false
  return true
}

function headerOf(bytes: Uint8Array): LedgerHeader | null {
  if (bytes.length < 4) return null
  const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(0, true)
  try {
    const header = JSON.parse(new TextDecoder().decode(bytes.subarray(4, 4 + length))) as LedgerHeader
    const ours =
      header.form === FORM &&
      header.positions.join() === POSITIONS.join() &&
      header.fields.map(({ name }) => name as Field).join() === FIELDS.join() &&
      header.lists.map(({ name }) => name as ListField).join() === LISTS.join() &&
      header.fields.every(({ values }) => Array.isArray(values)) &&
      [header.length, ...header.lists.flatMap(({ lists, items }) => [lists, items])].every(isCount) &&
      Array.isArray(header.texts)
    return ours ? header : null
  } catch {
    return null
  }
}

function isCount(value: unknown): boolean {
  return Number.isSafeInteger(value) && (value as number) >= 0
}
