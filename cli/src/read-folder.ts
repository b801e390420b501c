import {
  assembleSite,
  type FileAbout,
  type FileChoice,
  linkVariables,
  type Reading,
  type SitePages,
} from '@undo-ink/core'
import { type FileRead, type FileToRead, fileRead } from './read-file.ts'
import { type Unopened, type Walked, type Why, walk } from './walk.ts'

/** One file of a folder as one of its site. */
export interface FolderFile extends FileAbout {
  /** From the folder, with `/`. */
  readonly path: string
  readonly size: number
  /** Of its bytes, in hex; null: it is larger than what an intake keeps, and not opened. */
  readonly sha256: string | null
}

/** The same with what is kept of its reading; null: it is not read, or left out. */
export type FileKept<K> = FolderFile & { readonly kept: K | null }

/** The same with all that it holds. */
export type FileHeld = FolderFile & { readonly reading: Reading | null }

/** A folder as a site. */
export interface Folder<F extends FolderFile> {
  readonly files: readonly F[]
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

/** Who reads the files. */
export interface FileReader<K> {
  /** Files that are on their way at once: the system opens the next while one is looked through. */
  readonly atOnce: number
  read(file: FileToRead): Promise<FileRead<K> | Why>
}

/** Choices for some files, by path: they go before what is asked of all. */
export type Choices = ReadonlyMap<string, FileChoice>

/** Every file below a folder with all that it holds, what all files tell of variables included; in the order of their paths. */
export async function readFolder(folder: string, how: ReadOptions, choices?: Choices): Promise<Folder<FileHeld>> {
  const reader = { atOnce: 2, read: (file: FileToRead) => fileRead(file, (reading) => reading) }
  const read = await readWalked(await walk(folder), how, reader, choices)
  return { ...read, files: linkVariables(read.files.map(({ kept, ...file }) => ({ ...file, reading: kept }))) }
}

/** Reads what was found in a folder, in the order of its paths; links are not followed. */
export async function readWalked<K>(
  { folder, files, unopened }: Walked,
  { includeVendor, progress }: ReadOptions,
  reader: FileReader<K>,
  choices: Choices = new Map(),
): Promise<Folder<FileKept<K>>> {
  const found = files.map((file) => ({ ...file, choice: choices.get(file.path) ?? (includeVendor ? 'take-in' : null) }))
  const read = new Map<string, FileRead<K> | Why>()
  const left = found.entries()
  const lane = async () => {
    for (const [index, file] of left) {
      progress(file.path, index, found.length)
      read.set(file.path, await reader.read({ folder, ...file }))
    }
  }
  await Promise.all(Array.from({ length: reader.atOnce }, lane))

  const opened = found.flatMap((file) => {
    const found = read.get(file.path)
    return typeof found === 'object' ? [{ ...file, ...found }] : []
  })
  const closed = found.flatMap(({ path }): Unopened[] => {
    const why = read.get(path)
    return typeof why === 'string' ? [{ path, why }] : []
  })
  const { abouts, pages } = assembleSite(opened.map(({ outline, ...file }) => ({ ...file, outline: () => outline })))
  return {
    files: opened.map(({ path, size, sha256, kept }, i) => {
      const about = abouts[i] as FileAbout
      return { path, size, sha256, kept: about.skipped === null ? kept : null, ...about }
    }),
    pages,
    unopened: [...unopened, ...closed],
  }
}
