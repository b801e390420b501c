import { type FileAbout, type FileChoice, NO_CLAIMS, syntaxOf, thirdPartyPath, type Words } from '@undo-ink/core'
import type { Piscina } from 'piscina'
import { threads } from '../../threads.ts'
import type { Progress } from '../jobs/progress.ts'
import { bufferOf } from './buffer.ts'
import { findReading, type ReadingOf, saveReading } from './store.ts'
import type { Assembled, FileRead, FileToRead, PagesToRead, ToAssemble } from './worker.ts'

/** One file of a copy that is to be read; `sha256` null: it is not kept. */
export interface KeptFile {
  readonly path: string
  readonly sha256: string | null
  readonly choice: FileChoice | null
}

/** What became of it; null: it is not kept. */
export interface ReadFile<F extends KeptFile> {
  readonly file: F
  readonly reading: ReadingOf | null
}

/** Reads the files of copies in worker threads. */
export class Reader {
  private readonly pool: Piscina = threads('audit-worker', new URL('./worker-from-source.mjs', import.meta.url), 2)

  /** Reads one file, or finds what was read of the same bytes at the same path before. */
  async read(
    { path, sha256, choice }: KeptFile & { sha256: string },
    bytes: () => Promise<Buffer>,
  ): Promise<ReadingOf> {
    const known = await findReading(sha256, path, choice)
    if (known) return known
    const task: FileToRead = { path, bytes: await bytes(), choice }
    const { about, places, body } = (await this.pool.run(task, { name: 'read' })) as FileRead
    return saveReading({ sha256, path, choice, about, places, body: body && bufferOf(body) })
  }

  /** Makes the audit of a copy, when all its files are read. @param load gives the bytes of a file by their hash */
  async assemble(
    files: readonly ReadFile<KeptFile>[],
    load: (sha256: string) => Promise<Buffer>,
  ): Promise<Assembled & { readonly words: Uint8Array }> {
    const task: ToAssemble = files.map(({ file: { path, choice }, reading }) => ({
      ...{ path, choice, body: reading?.body ?? null },
      about: reading?.about ?? notKept(path),
    }))
    const assembled = (await this.pool.run(task, { name: 'assemble' })) as Assembled
    const hashes = new Map(files.map(({ file: { path, sha256 } }) => [path, sha256]))
    const words: Words[] = []
    const { ledger, variables } = assembled
    let pages: PagesToRead['pages'][number][] = []
    let held = 0
    const readPages = async () => {
      if (pages.length > 0) words.push((await this.pool.run({ ledger, variables, pages }, { name: 'words' })) as Words)
      pages = []
      held = 0
    }
    for (const page of assembled.pages) {
      const bytes = await load(hashes.get(page.path) as string)
      if (held + bytes.length > MOST_HELD) await readPages()
      pages.push({ ...page, bytes })
      held += bytes.length
    }
    await readPages()
    return { ...assembled, words: await this.pool.run(words, { name: 'packWords' }) }
  }

  close(): Promise<void> {
    return this.pool.destroy()
  }
}

/** What is known of a file that is too large to be kept. */
function notKept(path: string): FileAbout {
  const [syntax, thirdParty] = [syntaxOf(path), thirdPartyPath(path)]
  return { syntax, encoding: null, skipped: 'too-long', thirdParty, claims: NO_CLAIMS }
}

/** Bytes of pages that are read at once: little enough for any machine, much enough that the ledger is not unpacked for each. */
const MOST_HELD = 8 * 1024 * 1024

/** Does something with each of some files, two at a time, so that the bytes of a large copy are never all in memory; the results in their order. */
export async function twoAtATime<F, R>(files: readonly F[], each: (file: F) => Promise<R>): Promise<R[]> {
  const results: R[] = new Array(files.length)
  let next = 0
  const lane = async () => {
    try {
      for (let at = next++; at < files.length; at = next++) results[at] = await each(files[at] as F)
    } finally {
      // Done, or failed: the other lane ends with its file.
      next = files.length
    }
  }
  for (const outcome of await Promise.allSettled([lane(), lane()]))
    if (outcome.status === 'rejected') throw outcome.reason
  return results
}

/** Tells of a file that is done. */
export function tell(progress: Progress, path: string, reading: ReadingOf | null): Promise<void> {
  return progress.fileDone(path, reading?.body && reading.about.skipped === null ? reading.places : null)
}
