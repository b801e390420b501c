import { type FileChoice, NO_WORDS, unread, type Words } from '@undo-ink/core'
import { Refusal } from '../../http/problem.ts'
import { type Limits, PACKED, Threads, TooCostly } from '../../threads.ts'
import type { Progress } from '../jobs/progress.ts'
import { AT_ONCE } from '../jobs/queue.ts'
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

/** For which job something is read. */
type For = Pick<Progress, 'owner' | 'signal'>

/** Files of one copy that are read at the same time. */
const LANES = 2

/** Reads the files of copies in worker threads: as many as the jobs that run at once ask for, so that none waits for another. */
export class Reader {
  private readonly threads: Threads

  constructor(limits?: Limits) {
    const source = new URL('./worker-from-source.mjs', import.meta.url)
    this.threads = new Threads('audit-worker', source, AT_ONCE * LANES, limits)
  }

  /** Reads one file, or finds what was read of the same bytes at the same path before. One that takes too much is left out, and tried again the next time. */
  async read(
    { path, sha256, choice }: KeptFile & { sha256: string },
    load: () => Promise<Buffer>,
    { owner, signal }: For,
  ): Promise<ReadingOf> {
    const known = await findReading(sha256, path, choice)
    if (known) return known
    const task: FileToRead = { path, bytes: await load(), choice }
    try {
      const how = { name: 'read', owner, bytes: task.bytes.length, signal }
      const { about, places, body } = await this.threads.run<FileRead>(task, how)
      return saveReading({ sha256, path, choice, about, places, body: body && bufferOf(body) })
    } catch (error) {
      if (!(error instanceof TooCostly)) throw error
      return { about: unread(path, 'too-costly'), places: 0, body: null }
    }
  }

  /** Makes the audit of a copy, when all its files are read. @param load gives the bytes of a file by their hash */
  async assemble(
    files: readonly ReadFile<KeptFile>[],
    load: (sha256: string) => Promise<Buffer>,
    progress: Progress,
  ): Promise<Assembled & { readonly words: Uint8Array }> {
    const { owner, signal } = progress
    const task: ToAssemble = files.map(({ file: { path, choice }, reading }) => ({
      ...{ path, choice, body: reading?.body ?? null },
      about: reading?.about ?? unread(path, 'too-long'),
    }))
    const size = task.reduce((sum, { body }) => sum + (body?.length ?? 0), 0)
    const together = { owner, signal, bytes: size * PACKED }
    const assembled = await this.threads.run<Assembled>(task, { ...together, name: 'assemble' }).catch(whenTooCostly)
    const hashes = new Map(files.map(({ file: { path, sha256 } }) => [path, sha256]))
    const words: Words[] = []
    const { ledger, apart } = assembled
    let pages: PagesToRead['pages'][number][] = []
    let held = 0
    const wordsOf = async (some: PagesToRead['pages']): Promise<Words[]> => {
      const bytes = (ledger.length + apart.length) * PACKED + some.reduce((sum, page) => sum + page.bytes.length, 0)
      try {
        const input: PagesToRead = { ledger, apart, pages: some }
        return [await this.threads.run<Words>(input, { name: 'words', owner, bytes, signal })]
      } catch (error) {
        if (!(error instanceof TooCostly)) throw error
        // One of them is to blame: each gets a turn of its own.
        const [first, ...others] = some
        if (others.length === 0) return [{ ...NO_WORDS, partly: first ? [first.path] : [] }]
        const each: Words[] = []
        for (const page of some) each.push(...(await wordsOf([page])))
        return each
      }
    }
    let done = 0
    // For each the ledger is unpacked: a few steps show how far it is as well as many.
    const atOnce = Math.max(1, Math.ceil(assembled.toShow.length / STEPS))
    const readPages = async () => {
      if (pages.length > 0) words.push(...(await wordsOf(pages)))
      done += pages.length
      await progress.pagesDone(done, assembled.toShow.length)
      pages = []
      held = 0
    }
    for (const page of assembled.toShow) {
      const bytes = await load(hashes.get(page.path) as string)
      if (held + bytes.length > MOST_HELD || pages.length === atOnce) await readPages()
      pages.push({ ...page, bytes })
      held += bytes.length
    }
    await readPages()
    return { ...assembled, words: await this.threads.run<Uint8Array>(words, { ...together, name: 'packWords' }) }
  }

  close(): Promise<void> {
    return this.threads.close()
  }
}

function whenTooCostly(error: unknown): never {
  if (!(error instanceof TooCostly)) throw error
  throw new Refusal(
    'too-large',
    'What the files of this copy hold takes more time or memory together than their size allows; nothing was taken in',
  )
}

/** Bytes of pages that are read at once: little enough for any machine, much enough that the ledger is not unpacked for each. */
const MOST_HELD = 8 * 1024 * 1024

/** Steps in which it is told how far the pages are. */
const STEPS = 8

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
