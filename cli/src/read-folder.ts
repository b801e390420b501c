import { createHash } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { LIMITS } from '@undo-ink/contracts/limits'
import {
  assembleSite,
  classify,
  type FileAbout,
  type FileChoice,
  type Reading,
  readSource,
  type SitePages,
  unread,
} from '@undo-ink/core'
import { type Unopened, walk, whyOf } from './walk.ts'

/** One file of a folder, with what it holds when it is read. */
export interface FolderFile extends FileAbout {
  /** From the folder, with `/`. */
  readonly path: string
  readonly size: number
  /** Of its bytes, in hex; null: it is larger than what an intake keeps, and not opened. */
  readonly sha256: string | null
  readonly reading: Reading | null
}

/** A folder as a site. */
export interface Folder {
  readonly files: readonly FolderFile[]
  readonly pages: SitePages
  readonly unopened: readonly Unopened[]
}

/** How a folder is read. */
export interface ReadOptions {
  /** Whether third-party code is read too. */
  readonly includeVendor: boolean
  /** Told of each file before it is read. */
  progress(path: string, done: number, of: number): void
}

/**
 * Every file below a folder, in the order of their paths. Bytes are let go once they are read. Links are not followed.
 * @param choices for some files, by path: they go before what is asked of all
 */
export async function readFolder(
  folder: string,
  { includeVendor, progress }: ReadOptions,
  choices: ReadonlyMap<string, FileChoice> = new Map(),
): Promise<Folder> {
  const { files: found, unopened } = await walk(folder)
  const kept: { size: number; sha256: string | null }[] = []
  const read = []
  const closed: Unopened[] = []
  const open = (file: (typeof found)[number] | undefined) =>
    file && file.size <= LIMITS.fileBytes ? readFile(join(folder, file.path)).catch(whyOf) : null
  let next = open(found[0])
  for (const [index, { path, size }] of found.entries()) {
    progress(path, index, found.length)
    const choice = choices.get(path) ?? (includeVendor ? 'take-in' : null)
    const bytes = await next
    // The system reads it while this one is looked through.
    next = open(found[index + 1])
    if (typeof bytes === 'string') {
      closed.push({ path, why: bytes })
      continue
    }
    const { source, ...about } = bytes
      ? classify(path, bytes, LIMITS.textBytes, choice)
      : { ...unread(path, 'too-long'), source: null }
    const reading = source && readSource(source)
    kept.push({ size, sha256: bytes && createHash('sha256').update(bytes).digest('hex') })
    read.push({ path, about, choice, reading: () => reading })
  }
  const { files, pages } = assembleSite(read)
  return {
    files: files.map(({ about, ...file }, i) => ({ ...file, ...about, ...(kept[i] as (typeof kept)[number]) })),
    pages,
    unopened: [...unopened, ...closed],
  }
}
