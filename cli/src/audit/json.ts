import { COMPUTED, DEFINITION, FINDING, KEYWORD, PLACE, REFERENCE } from '@undo-ink/contracts/entry-members'
import { BETWEEN, entryText, JsonBytes, membersText } from '@undo-ink/contracts/json-bytes'
import { jsonDocument, type Written } from '@undo-ink/contracts/json-document'
import { placeLead, RuleTable } from '@undo-ink/contracts/places-document'
import { carryingVariables, generatedFrom, linkedVariables, type Reading, variableKey } from '@undo-ink/core'
import type { FileKept, Folder } from '../read-folder.ts'
import { type Draft, factsIn } from './draft.ts'
import { hasColor, piecesOf, settled } from './piece.ts'

type Drafted = ReturnType<typeof draft>

/** Bytes from one to before another. */
type Stretch = readonly [start: number, end: number]

const DECODER = new TextDecoder()

/** What is told of a place whose use only all files tell. */
const WITHOUT_USE = PLACE.filter(({ name }) => name !== 'use')

/** Entries about variables, one behind the other: whether one carries a color, only all files tell. */
interface OfVariables {
  /** The distinct variables, as they are looked up. */
  readonly keys: readonly string[]
  /** For each entry the index of its variable. */
  readonly of: Uint32Array
  /** For each entry where it ends in the bytes. */
  readonly ends: Uint32Array
  readonly bytes: Uint8Array
}

/** The lists of a file, as `auditDocumentSchema` has them, in bytes. */
export function draft(_path: string, reading: Reading) {
  const rules = new RuleTable()
  const list = <T>(items: readonly T[], write: (json: JsonBytes, item: T) => void): Uint8Array => {
    const json = new JsonBytes()
    for (const item of items) write(json.between(), item)
    return json.take()
  }
  const places = new JsonBytes()
  const begun = new JsonBytes()
  return {
    occurrences: piecesOf(reading, {
      write: (place) => places.between().entry(place, PLACE, placeLead(place, rules)),
      take: () => (places.size > 0 ? places.take() : null),
      begin(place): Stretch {
        const start = begun.size
        begun.put(entryText(place, WITHOUT_USE, hasColor(place) ? placeLead(place, rules) : rules.leadOf(place)))
        return [start, begun.size]
      },
    }),
    begun: begun.take(),
    keywords: list(reading.keywords, (json, keyword) => json.entry(keyword, KEYWORD, rules.leadOf(keyword))),
    computed: list(reading.computed, (json, color) => json.entry(color, COMPUTED, rules.leadOf(color))),
    definitions: ofVariables(reading.definitions, (json, each) => json.entry(each, DEFINITION, each.range)),
    references: ofVariables(reading.references, (json, each) => json.entry(each, REFERENCE, rules.leadOf(each))),
    behaviors: list(reading.behaviors, (json, behavior) => json.put(`{${membersText(spanned(behavior))}}`)),
    findings: list(reading.findings, (json, { range, remedy, ...finding }) =>
      json.entry(finding, FINDING, remedy ? { ...range, remedy: spanned(remedy) } : range),
    ),
    // Last: all that stands in them has been written.
    rules: rules.take(),
  }
}

/** The document that `auditDocumentSchema` describes, of every list one entry a line. */
export function print(
  { files, pages, unopened }: Folder<FileKept<Draft<Drafted>>>,
  root: string,
): Generator<Uint8Array> {
  const made = generatedFrom(files.map(({ path }) => path))
  const facts = factsIn(files)
  const linked = linkedVariables(facts)
  const variables = carryingVariables(facts, linked)
  const carrying = new Set(variables.map(({ key }) => key))

  /** The lists of a file, in pieces. */
  const listsOf = ({
    occurrences,
    begun,
    definitions,
    references,
    ...lists
  }: Drafted): Record<string, Iterable<Uint8Array | string>> => ({
    occurrences: settled(
      occurrences,
      linked,
      ([start, end], told) => `{${DECODER.decode(begun.subarray(start, end))},${entryText(told, PLACE)}}`,
    ),
    ...Object.fromEntries(Object.entries(lists).map(([name, bytes]) => [name, bytes.length > 0 ? [bytes] : []])),
    definitions: carried(definitions, carrying),
    references: carried(references, carrying),
  })
  function* filesWritten(): Generator<Written> {
    for (const { path, syntax, encoding, size, skipped, thirdParty, kept } of files) {
      const about = {
        ...{ path, syntax, encoding, bytes: size },
        ...(skipped ? { skipped } : {}),
        ...(thirdParty ? { thirdParty } : {}),
        ...(made.has(path) ? { generatedFrom: made.get(path) } : {}),
      }
      yield (json) => {
        json.put(`{${membersText(about)}`)
        for (const [name, pieces] of Object.entries(kept ? listsOf(kept.content) : {})) {
          let before = `,\n"${name}": [\n`
          for (const piece of pieces) {
            json.put(before).put(piece)
            before = BETWEEN
          }
          if (before === BETWEEN) json.put('\n]')
        }
        json.put('}')
      }
    }
  }
  return jsonDocument({
    version: 3,
    root,
    files: filesWritten(),
    unopened,
    variables: variables.map(({ key, uses }) => ({ name: key, uses })),
    ...pages,
  })
}

function ofVariables<T extends { readonly name: string }>(
  items: readonly T[],
  write: (json: JsonBytes, item: T) => void,
): OfVariables {
  const json = new JsonBytes()
  const keys = new Map<string, number>()
  const variables = new Uint32Array(items.length)
  const ends = new Uint32Array(items.length)
  for (const [i, item] of items.entries()) {
    const key = variableKey(item.name)
    const index = keys.get(key) ?? keys.size
    keys.set(key, index)
    variables[i] = index
    write(json.between(), item)
    ends[i] = json.size
  }
  return { keys: [...keys.keys()], of: variables, ends, bytes: json.take() }
}

/** The entries of the variables that carry a color; neighbours in one piece. */
function carried({ keys, of, ends, bytes }: OfVariables, carrying: ReadonlySet<string>): Uint8Array[] {
  const pieces: Uint8Array[] = []
  let [start, end, from] = [0, 0, 0]
  const flush = () => {
    if (end > start) pieces.push(bytes.subarray(start, end))
  }
  for (const [i, to] of ends.entries()) {
    if (carrying.has(keys[of[i] as number] as string)) {
      if (end !== from || end === start) {
        flush()
        start = from === 0 ? 0 : from + BETWEEN.length
      }
      end = to
    }
    from = to
  }
  flush()
  return pieces
}

function spanned<T extends { readonly range: object }>({ range, ...rest }: T) {
  return { ...range, ...rest }
}
