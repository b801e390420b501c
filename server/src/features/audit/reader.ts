import { type FileChoice, NO_WORDS, unread, type Words } from '@undo-ink/core'
import type { Sequelize } from 'sequelize'
import { Refusal } from '../../http/problem.ts'
import { type Limits, PACKED, Threads, TooCostly } from '../../threads.ts'
import type { Progress } from '../jobs/progress.ts'
import { AT_ONCE } from '../jobs/queue.ts'
import { bufferOf } from './buffer.ts'
import { findReadings, type ReadingKey, type ReadingOf, saveReadings } from './store.ts'
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
  private readonly sequelize: Sequelize

  constructor(sequelize: Sequelize, limits?: Limits) {
    this.sequelize = sequelize
    const source = new URL('./worker-from-source.mjs', import.meta.url)
    this.threads = new Threads('audit-worker', source, AT_ONCE * LANES, limits)
  }

  /**
   * Reads some files of a copy one after another, or finds what was read of the same bytes at the same paths before. One that takes too much is left
   * out, and tried again the next time.
   * @param load gives bytes by their hash, of what is not known @param onRead told of each as it is read
   */
  async read<F extends KeptFile>(
    files: readonly F[],
    load: (sha256s: readonly string[]) => Promise<ReadonlyMap<string, Buffer>>,
    by: For,
    onRead: (file: F, reading: ReadingOf | null) => Promise<void>,
  ): Promise<ReadFile<F>[]> {
    const kept = files.filter(isKept)
    const known = await findReadings(kept)
    const unknown = kept.filter(({ path }) => !known.has(path))
    const bytes = await load(unknown.map(({ sha256 }) => sha256))
    const made: (ReadingKey & ReadingOf)[] = []
    const read: ReadFile<F>[] = []
    for (const file of files) {
      let reading = known.get(file.path) ?? null
      if (!reading && isKept(file)) {
        const { sha256, path, choice } = file
        const found = await this.readOne({ path, choice, bytes: bytes.get(sha256) as Buffer }, by)
        if (found) made.push({ sha256, path, choice, ...found })
        reading = found ?? { about: unread(path, 'too-costly'), places: 0, body: null }
      }
      await onRead(file, reading)
      read.push({ file, reading })
    }
    await saveReadings(this.sequelize, made)
    return read
  }

  /** null: it takes too much. */
  private async readOne(task: FileToRead, { owner, signal }: For): Promise<ReadingOf | null> {
    try {
      const how = { name: 'read', owner, bytes: task.bytes.length, signal }
      const { about, places, body } = await this.threads.run<FileRead>(task, how)
      return { about, places, body: body && bufferOf(body) }
    } catch (error) {
      if (!(error instanceof TooCostly)) throw error
      return null
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

function isKept<F extends KeptFile>(file: F): file is F & { sha256: string } {
  return file.sha256 !== null
}

/** Small files that are asked for and stored together at most, and their bytes: one by one they would take longer to be stored than to be read. */
const MOST_TOGETHER = 32
const BYTES_TOGETHER = 1024 * 1024

/** Does something with the files of a copy, neighbours that are small together; the results in their order. */
export async function someAtATime<F extends { readonly size: number }, R>(
  files: readonly F[],
  each: (some: readonly F[]) => Promise<readonly R[]>,
): Promise<R[]> {
  const groups: F[][] = []
  let bytes = 0
  for (const file of files) {
    const last = groups.at(-1)
    bytes += file.size
    if (last && last.length < MOST_TOGETHER && bytes <= BYTES_TOGETHER) last.push(file)
    else {
      groups.push([file])
      bytes = file.size
    }
  }
  return (await twoAtATime(groups, each)).flat()
}

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
