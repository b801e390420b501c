import { type Reading, variableFacts } from '@undo-ink/core'
import { type FileRead, type FileToRead, fileRead } from '../read-file.ts'
import type { FileKept, Folder } from '../read-folder.ts'
import type { Why } from '../walk.ts'
import * as csv from './csv.ts'
import type { Draft } from './draft.ts'
import * as json from './json.ts'
import * as text from './text.ts'

/** What a format has drafted: only it knows what that holds. */
export type SomeDraft = Draft<never>

/** How an audit is printed. */
interface AuditFormat {
  /** What a file holds, as far as it alone tells; what a thread can send. */
  draft(path: string, reading: Reading): unknown
  /** The whole of it, in pieces. */
  print(folder: Folder<FileKept<SomeDraft>>, root: string): Iterable<string | Uint8Array>
}

export const FORMATS = { text, json, csv } satisfies Readonly<Record<string, AuditFormat>>

export type Format = keyof typeof FORMATS

/** Reads a file and drafts what is printed of it: in a thread, or where the rest is done. */
export function draftFile(file: FileToRead & { readonly format: Format }): Promise<FileRead<SomeDraft> | Why> {
  const { draft } = FORMATS[file.format]
  return fileRead(file, (reading) => ({
    content: draft(file.path, reading) as never,
    variables: variableFacts(reading),
  }))
}
