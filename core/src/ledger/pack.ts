import { FIELDS, type Field, isList, POSITIONS } from './fields.ts'
import type { Column, Ledger } from './ledger.ts'

/** Raised whenever the form changes. */
const FORM = 2

/**
 * What stands before the columns of a packed ledger. The form: the length of this text in bytes as 32 bits, little end first; this text as
 * JSON in UTF-8, filled up with spaces to a multiple of four; then the positions and the codes of the fields, in its order, 32 bits each.
 */
export interface LedgerHeader {
  readonly form: number
  readonly length: number
  readonly positions: readonly string[]
  /** What the lists of texts consist of: they are many, and their texts few. */
  readonly texts: readonly string[]
  /** Of a list, the indices of its texts. */
  readonly fields: readonly { readonly name: string; readonly values: readonly unknown[] }[]
}

/** A ledger as bytes, to be stored and sent. */
export function packLedger({ length, positions, columns }: Ledger): Uint8Array<ArrayBuffer> {
  const texts = new Map<string, number>()
  const indexOf = (text: string) => {
    const known = texts.get(text) ?? texts.size
    texts.set(text, known)
    return known
  }
  const fields = FIELDS.map((name) => ({
    name,
    values: isList(name) ? columns[name].values.map((list) => list.map(indexOf)) : columns[name].values,
  }))
  const header: LedgerHeader = { form: FORM, length, positions: POSITIONS, texts: [...texts.keys()], fields }
  const text = new TextEncoder().encode(JSON.stringify(header))
  const headerBytes = Math.ceil(text.length / 4) * 4
  const arrays = [...POSITIONS.map((name) => positions[name]), ...FIELDS.map((name) => columns[name].codes)]
  const bytes = new Uint8Array(4 + headerBytes + arrays.length * length * 4).fill(0x20, 4, 4 + headerBytes)
  const view = new DataView(bytes.buffer)
  view.setUint32(0, headerBytes, true)
  bytes.set(text, 4)
  arrays.forEach((array, i) => {
    const at = 4 + headerBytes + i * length * 4
    array.forEach((value, index) => {
      view.setUint32(at + index * 4, value, true)
    })
  })
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
  const count = header.positions.length + header.fields.length
  if (bytes.length !== first + count * length * 4) return null
  const aligned = bytes.byteOffset % 4 === 0 ? bytes : bytes.slice()
  const array = (i: number) => new Uint32Array(aligned.buffer, aligned.byteOffset + first + i * length * 4, length)
  const columns: Column<unknown>[] = []
  for (const [i, field] of header.fields.entries()) {
    const codes = array(POSITIONS.length + i)
    const values = isList(field.name) ? listsOf(field.values, header.texts) : field.values
    if (!values || !isWithin(codes, values.length)) return null
    columns.push({ codes, values })
  }
  return {
    length,
    positions: Object.fromEntries(POSITIONS.map((name, i) => [name, array(i)])) as Ledger['positions'],
    columns: Object.fromEntries(FIELDS.map((name, i) => [name, columns[i] as Column<unknown>])) as Ledger['columns'],
  }
}

/** Lists that share their texts; null: they are none. */
function listsOf(values: readonly unknown[], texts: readonly unknown[]): (readonly string[])[] | null {
  if (!texts.every((text) => typeof text === 'string')) return null
  const isText = (index: unknown) => typeof index === 'number' && typeof texts[index] === 'string'
  if (!values.every((list) => Array.isArray(list) && list.every(isText))) return null
  return (values as number[][]).map((list) => list.map((index) => texts[index] as string))
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
      header.fields.map(({ name }) => name as Field).join() === FIELDS.join()
    return ours ? header : null
  } catch {
    return null
  }
}
