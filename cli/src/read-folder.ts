import { createHash } from 'node:crypto'
import { readdir, readFile, stat } from 'node:fs/promises'
import { join, relative, sep } from 'node:path'
import { LIMITS } from '@undo-ink/contracts/limits'
import {
  assembleSite,
  classify,
  type FileAbout,
  type FileChoice,
  isLitter,
  type Reading,
  readSource,
  type SitePages,
} from '@undo-ink/core'
import { Misuse } from './misuse.ts'

/** One file of a folder, with what it holds when it is read. */
export interface FolderFile extends FileAbout {
  /** From the folder, with `/`. */
  readonly path: string
  readonly size: number
  /** Of its bytes, in hex. */
  readonly sha256: string
  readonly reading: Reading | null
}

/** A folder as a site. */
export interface Folder {
  readonly files: readonly FolderFile[]
  readonly pages: SitePages
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
  const paths = await listFiles(folder)
  const kept: { size: number; sha256: string }[] = []
  const read = []
  for (const [index, path] of paths.entries()) {
    progress(path, index, paths.length)
    const bytes = await readFile(join(folder, path))
    const choice = choices.get(path) ?? (includeVendor ? 'take-in' : null)
    const { source, ...about } = classify(path, bytes, LIMITS.textBytes, choice)
    const reading = source && readSource(source)
    kept.push({ size: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') })
    read.push({ path, about, choice, reading: () => reading })
  }
  const { files, pages } = assembleSite(read)
  return {
    files: files.map(({ about, ...file }, i) => ({ ...file, ...about, ...(kept[i] as (typeof kept)[number]) })),
    pages,
  }
}

async function listFiles(folder: string): Promise<string[]> {
  const about = await stat(folder).catch(() => null)
  if (!about?.isDirectory()) throw new Misuse(`${folder} is no folder`)
  const entries = await readdir(folder, { recursive: true, withFileTypes: true })
  return entries
    .filter((entry) => entry.isFile())
    .map((entry) => relative(folder, join(entry.parentPath, entry.name)).split(sep).join('/'))
    .filter((path) => !isLitter(path))
    .toSorted()
}
