/** Characters that are gathered before a piece is given away. */
const PIECE = 64 * 1024

/** A JSON document in pieces: of a list one entry a line, so that none of it need be held whole. @param members lists may be made as they are asked for, one after another */
export function* jsonDocument(members: Readonly<Record<string, unknown>>): Generator<string> {
  let piece = '{'
  let between = '\n'
  for (const [name, value] of Object.entries(members)) {
    piece += `${between}${JSON.stringify(name)}: `
    between = ',\n'
    if (!isList(value)) {
      piece += JSON.stringify(value)
      continue
    }
    let lead = '[\n'
    for (const entry of value) {
      piece += `${lead}${JSON.stringify(entry)}`
      lead = ',\n'
      if (piece.length < PIECE) continue
      yield piece
      piece = ''
    }
    piece += lead === '[\n' ? '[]' : '\n]'
  }
  yield `${piece}\n}\n`
}

function isList(value: unknown): value is Iterable<unknown> {
  return typeof value === 'object' && value !== null && Symbol.iterator in value
}
