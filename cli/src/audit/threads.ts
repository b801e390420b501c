import { availableParallelism } from 'node:os'
import { setFlagsFromString } from 'node:v8'
import { INLINE_LESS } from '@undo-ink/contracts/limits'
import type { FileRead } from '../read-file.ts'
import type { FileReader } from '../read-folder.ts'
import type { Why } from '../walk.ts'
import type { Format, SomeDraft } from './formats.ts'

/** Bytes for which a thread is worth its start. */
const WORTH_A_THREAD = 1_000_000

/** More of them would read no faster than files come, and each has memory of its own. */
const MOST_THREADS = 4

/** Files that a thread has at once. */
const AT_ONCE = 2

/** Threads that draft files. */
export interface DraftThreads extends FileReader<SomeDraft> {
  close(): Promise<void>
}

/** Threads that some files are worth, of those that this machine has; 0: less than two are of no use beside the one that asks. */
export function threadsFor(files: readonly { readonly size: number }[]): number {
  const bytes = files.reduce((sum, { size }) => sum + size, 0)
  const most = Math.min(availableParallelism(), MOST_THREADS, Math.floor(bytes / WORTH_A_THREAD), files.length)
  return most > 1 ? most : 0
}

export async function draftThreads(count: number, format: Format): Promise<DraftThreads> {
  const { Piscina } = await import('piscina')
  setFlagsFromString(INLINE_LESS)
  const filename = new URL(isSource ? './thread-from-source.mjs' : './audit-thread.js', import.meta.url).href
  const pool = new Piscina({ filename, maxThreads: count, concurrentTasksPerWorker: AT_ONCE })
  return {
    atOnce: count * AT_ONCE,
    read: (file) => pool.run({ ...file, format }) as Promise<FileRead<SomeDraft> | Why>,
    close: () => pool.destroy(),
  }
}

const isSource = import.meta.url.endsWith('.ts')
