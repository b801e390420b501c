import { jsonDocument } from '@undo-ink/contracts/json-document'
import { inRule, type PlaceInFile, placeEntry, placesCsv, RuleTable, sparse } from '@undo-ink/contracts/places-document'
import { type FileReading, generatedFrom, listVariables, type Range, type Reading } from '@undo-ink/core'
import { type Folder, type ReadOptions, readFolder } from '../read-folder.ts'
import { auditText, type Printed } from '../text.ts'

/** Lists every hard-coded color of a folder. */
export async function audit(folder: string, format: 'text' | 'json' | 'csv', how: ReadOptions): Promise<Printed> {
  const read = await readFolder(folder, how)
  const write = {
    text: () => auditText(read.files),
    json: () => documentOf(folder, read),
    csv: () => placesCsv(placesIn(read.files)),
  }[format]
  return { output: write(), unopened: read.unopened }
}

/** Every place of a folder, in its order. */
export function* placesIn(files: Folder['files']): Generator<PlaceInFile> {
  for (const { path, reading } of files) for (const place of reading?.occurrences ?? []) yield { ...place, path }
}

/** What `auditDocumentSchema` says, in pieces: the whole of it would be many times the text. */
function documentOf(folder: string, { files, pages, unopened }: Folder): Iterable<string> {
  const made = generatedFrom(files.map(({ path }) => path))
  const indices = new Map(files.map(({ path }, index) => [path, index]))
  const rules = new RuleTable()
  function* each<T>(list: (reading: Reading) => readonly T[], write: (file: number, item: T) => object) {
    for (const [index, { reading }] of files.entries())
      for (const item of reading ? list(reading) : []) yield write(index, item)
  }
  function* variables() {
    const read = files.flatMap(({ path, reading }): FileReading[] => (reading ? [{ path, reading }] : []))
    for (const { name, uses, definitions, references } of listVariables(read)) {
      // Each is of the variable: its name is told where it is written otherwise.
      const told = <E extends Record<string, unknown>>(entry: E, written: string) =>
        written === name ? entry : { ...entry, name: written }
      const fileOf = (path: string) => indices.get(path) as number
      yield {
        ...{ name, uses },
        definitions: definitions.map((each) =>
          told(sparse(each, { file: fileOf(each.file), ...each.range }, IN_ITS_OWN_WAY), each.name),
        ),
        references: references.map((each) => told(inRule(fileOf(each.file), each, rules), each.name)),
      }
    }
  }
  return jsonDocument({
    version: 2,
    root: folder,
    files: files.map(({ path, syntax, encoding, size, skipped, thirdParty }) => ({
      path,
      syntax,
      encoding,
      bytes: size,
      ...(skipped ? { skipped } : {}),
      ...(thirdParty ? { thirdParty } : {}),
      ...(made.has(path) ? { generatedFrom: made.get(path) } : {}),
    })),
    unopened,
    occurrences: each(
      ({ occurrences }) => occurrences,
      (file, place) => placeEntry(file, place, rules),
    ),
    keywords: each(
      ({ keywords }) => keywords,
      (file, keyword) => inRule(file, keyword, rules),
    ),
    computed: each(
      ({ computed }) => computed,
      (file, color) => inRule(file, color, rules),
    ),
    variables: variables(),
    behaviors: each(({ behaviors }) => behaviors, inFile),
    ...pages,
    findings: each(
      ({ findings }) => findings,
      (file, { remedy, ...finding }) => sparse({ ...inFile(file, finding), remedy: remedy && spanned(remedy) }),
    ),
    // Last: all that stands in them has been written.
    rules: rules.entries,
  })
}

/** What a definition says otherwise. */
const IN_ITS_OWN_WAY: ReadonlySet<string> = new Set(['range', 'file', 'name'])

function inFile<T extends { readonly range: Range }>(file: number, item: T) {
  return { file, ...spanned(item) }
}

function spanned<T extends { readonly range: Range }>({ range, ...rest }: T) {
  return { start: range.start, end: range.end, ...rest }
}
