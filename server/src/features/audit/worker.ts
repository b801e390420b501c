import { LIMITS } from '@undo-ink/contracts'
import { type Classified, classify, type FileChoice, type Reading, readSource } from '@undo-ink/core'

/** What one file is and holds; `reading` null: not read. */
export type ReadFile = Omit<Classified, 'source'> & { readonly reading: Reading | null }

export interface FileToRead {
  readonly path: string
  readonly bytes: Uint8Array
  readonly choice: FileChoice | null
}

/** Runs in a worker thread: reads one file. */
export default function read({ path, bytes, choice }: FileToRead): ReadFile {
  const { source, ...about } = classify(path, bytes, LIMITS.textBytes, choice)
  return { ...about, reading: source && readSource(source) }
}
