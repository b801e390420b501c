import type { NameEncoding } from '@undo-ink/core'
import type { NamedFile } from './path.ts'

/** One file on its way in. */
export interface ReceivedFile extends NamedFile {
  readonly size: number
  /** Its name as it came, where that is not in UTF-8: it goes out so again. */
  readonly rawName: Buffer | null
}

/** What came, ready to be taken. */
export interface OpenUpload {
  readonly files: readonly ReceivedFile[]
  /** As which names were read that say no encoding; null: there were none. */
  readonly encoding: NameEncoding | null
  /** The bytes of some of its files, in their order; null: one over the limit, which is listed and not kept. */
  bytesOf(files: readonly ReceivedFile[]): Promise<(Buffer | null)[]>
  close(): void
}
