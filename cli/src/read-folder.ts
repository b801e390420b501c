import { readdir, readFile, stat } from 'node:fs/promises'
import { join, relative, sep } from 'node:path'
import { LIMITS } from '@undo-ink/contracts'
import { type Classified, classify, type Reading, readSource } from '@undo-ink/core'
import { Misuse } from './misuse.ts'

/** One file of a folder, with what it holds when it is read. */
export interface FolderFile extends Classified {
  /** From the folder, with `/`. */
  readonly path: string
  readonly bytes: Buffer
  readonly reading: Reading | null
}

/** Every file below a folder in the order of their paths, one at a time, so that a large folder is never all in memory. Links are not followed. */
export async function* readFolder(folder: string): AsyncGenerator<FolderFile> {
  for (const path of await listFiles(folder)) {
    const bytes = await readFile(join(folder, path))
    const classified = classify(path, bytes, LIMITS.textBytes)
    yield { path, bytes, ...classified, reading: classified.source && readSource(classified.source) }
  }
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
