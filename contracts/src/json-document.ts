import { JsonBytes, jsonText } from './json-bytes.ts'

/** Bytes that are gathered before a piece is given away. */
const PIECE = 64 * 1024

/** An entry of a list that writes itself. */
export type Written = (json: JsonBytes) => void

/**
 * A JSON document in pieces, of a list one entry a line, so that none of it need be held whole.
 * @param members lists may be made as they are asked for, one after another
 */
export function* jsonDocument(members: Readonly<Record<string, unknown>>): Generator<Uint8Array<ArrayBuffer>> {
  const json = new JsonBytes().put('{')
  let between = '\n'
  for (const [name, value] of Object.entries(members)) {
    json.put(`${between}${jsonText(name)}: `)
    between = ',\n'
    if (!isList(value)) {
      json.put(jsonText(value))
      continue
    }
    let lead = '[\n'
    for (const entry of value) {
      json.put(lead)
      if (isWritten(entry)) entry(json)
      else json.put(jsonText(entry))
      lead = ',\n'
      if (json.size >= PIECE) yield json.take()
    }
    json.put(lead === '[\n' ? '[]' : '\n]')
  }
  yield json.put('\n}\n').take()
}

function isList(value: unknown): value is Iterable<unknown> {
  return typeof value === 'object' && value !== null && Symbol.iterator in value
}

function isWritten(entry: unknown): entry is Written {
  return typeof entry === 'function'
}
