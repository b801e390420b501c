import type { AuditDocument } from '@undo-ink/contracts'
import { painted, placeEntry, placesCsv } from '@undo-ink/contracts/places-document'
import { type FileReading, generatedFrom, listVariables, type Range } from '@undo-ink/core'
import { type Folder, type ReadOptions, readFolder } from '../read-folder.ts'
import { asJson, auditText, type Printed } from '../text.ts'

/** Lists every hard-coded color of a folder. */
export async function audit(folder: string, format: 'text' | 'json' | 'csv', how: ReadOptions): Promise<Printed> {
  const read = await readFolder(folder, how)
  const document = documentOf(folder, read)
  const write = { text: auditText, json: asJson, csv: (each: AuditDocument) => placesCsv(each.occurrences) }[format]
  return { output: write(document), unopened: read.unopened }
}

function documentOf(folder: string, { files, pages, unopened }: Folder): AuditDocument {
  const made = generatedFrom(files.map(({ path }) => path))
  const read = files.flatMap(({ path, reading }): FileReading[] => (reading ? [{ path, reading }] : []))
  const each = <T, R>(list: (reading: FileReading['reading']) => readonly T[], write: (path: string, item: T) => R) =>
    read.flatMap(({ path, reading }) => list(reading).map((item) => write(path, item)))
  return {
    version: 1,
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
    unopened: [...unopened],
    occurrences: each(({ occurrences }) => occurrences, placeEntry),
    keywords: each(({ keywords }) => keywords, inContext),
    computed: each(({ computed }) => computed, inContext),
    variables: listVariables(read).map(({ definitions, references, ...variable }) => ({
      ...variable,
      definitions: definitions.map((definition) => inFile(definition.file, definition)),
      references: references.map((reference) => inFile(reference.file, reference)),
    })),
    behaviors: each(
      ({ behaviors }) => behaviors,
      // The compiler keeps the two kinds apart only so.
      (path, behavior) => (behavior.kind === 'recolor' ? inFile(path, behavior) : inFile(path, behavior)),
    ),
    ...pages,
    findings: each(
      ({ findings }) => findings,
      (path, { remedy, ...finding }) => ({ ...inFile(path, finding), remedy: remedy && spanned(remedy) }),
    ),
  }
}

function inContext<T extends { readonly range: Range } & Parameters<typeof painted>[0]>(file: string, item: T) {
  return { ...inFile(file, item), ...painted(item) }
}

function inFile<T extends { readonly range: Range }>(file: string, item: T) {
  return { ...spanned(item), file }
}

function spanned<T extends { readonly range: Range }>({ range, ...rest }: T) {
  return { ...rest, start: range.start, end: range.end }
}
