import { LIMITS } from '@undo-ink/contracts'
import { type Classified, classify, type Reading, readSource } from '@undo-ink/core'

/** What one file is and holds; `reading` null: not read. */
export type ReadFile = Pick<Classified, 'syntax' | 'encoding' | 'skipped'> & { readonly reading: Reading | null }

/** Runs in a worker thread: reads one file. */
export default function read({ path, bytes }: { path: string; bytes: Uint8Array }): ReadFile {
  const { syntax, encoding, skipped, source } = classify(path, bytes, LIMITS.textBytes)
  return { syntax, encoding, skipped, reading: source && readSource(source) }
}
