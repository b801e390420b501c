import { readdir, readFile, stat } from 'node:fs/promises'
import { join, relative, sep } from 'node:path'
import { LIMITS } from '@undo-ink/contracts'
import { type Classified, classify, type FileReading, linkChannels, readSource } from '@undo-ink/core'
import { Misuse } from './misuse.ts'

/** One file of a folder, with what it holds when it is read. */
export interface FolderFile extends Omit<Classified, 'source'> {
  /** From the folder, with `/`. */
  readonly path: string
  readonly size: number
  readonly reading: FileReading['reading'] | null
}

/** How a folder is read. */
export interface ReadOptions {
  /** Whether third-party code is read too. */
  readonly includeVendor: boolean
  /** Told of each file before it is read. */
  progress(path: string, done: number, of: number): void
}

/** Every file below a folder, in the order of their paths. Bytes are let go once they are read. Links are not followed. */
export async function readFolder(folder: string, { includeVendor, progress }: ReadOptions): Promise<FolderFile[]> {
  const paths = await listFiles(folder)
  const files: FolderFile[] = []
  for (const [index, path] of paths.entries()) {
    progress(path, index, paths.length)
    const bytes = await readFile(join(folder, path))
    const { source, ...about } = classify(path, bytes, LIMITS.textBytes, includeVendor ? 'take-in' : null)
    files.push({ path, size: bytes.length, ...about, reading: source && readSource(source) })
  }
  return linkChannels(files)
}

async function listFiles(folder: string): Promise<string[]> {
  const about = await stat(folder).catch(() => null)
  if (!about?.isDirectory()) throw new Misuse(`${folder} is no folder`)
  const entries = await readdir(folder, { recursive: true, withFileTypes: true })
  return entries
    .filter((entry) => entry.isFile())
    .map((entry) => relative(folder, join(entry.parentPath, entry.name)).split(sep).join('/'))
    .toSorted()
}
