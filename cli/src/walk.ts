import type { Dirent } from 'node:fs'
import { readdir, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { AuditDocument } from '@undo-ink/contracts'
import { LIMITS } from '@undo-ink/contracts/limits'
import { isLitter } from '@undo-ink/core'
import { Misuse } from './misuse.ts'

export type Why = AuditDocument['unopened'][number]['why']

/** Why something in a folder is not opened, in words. */
const WHY: Readonly<Record<Why, string>> = {
  link: 'it is a link; what it leads to is not followed',
  'no-file': 'it is neither a file nor a folder',
  'no-utf8': 'its name is not UTF-8',
  sparse: 'it takes far less room than it has bytes',
  'no-permission': 'it may not be read',
  unreadable: 'it cannot be read',
}

/** Something that is not opened; of a name that is not UTF-8 what can be told of it. */
export interface Unopened {
  readonly path: string
  readonly why: Why
}

/** What a folder holds. */
export interface Walked {
  /** As it was given. */
  readonly folder: string
  /** By path, from the folder, with `/`; sizes in bytes. */
  readonly files: readonly { readonly path: string; readonly size: number }[]
  readonly unopened: readonly Unopened[]
}

/** Every file below a folder. What cannot be opened is told, and the rest goes on. Throws Misuse where the folder itself cannot be. */
export async function walk(folder: string): Promise<Walked> {
  const files: { path: string; size: number }[] = []
  const unopened: Unopened[] = []
  const folders = ['']
  for (let at = folders.pop(); at !== undefined; at = folders.pop()) {
    for (const entry of await entriesOf(folder, at, unopened)) {
      const path = at === '' ? `${entry.name}` : `${at}/${entry.name}`
      if (isLitter(path)) continue
      const found = await lookAt(entry, join(folder, path))
      if (found === 'folder') folders.push(path)
      else if (typeof found === 'number') files.push({ path, size: found })
      else unopened.push({ path, why: found })
    }
  }
  const byPath = (a: { path: string }, b: { path: string }) => (a.path < b.path ? -1 : 1)
  return { folder, files: files.toSorted(byPath), unopened: unopened.toSorted(byPath) }
}

/** For the error stream: one line for each. */
export function unopenedText(unopened: readonly Unopened[]): string {
  return unopened.map(({ path, why }) => `left out: ${path}: ${WHY[why]}\n`).join('')
}

export function whyOf({ code }: NodeJS.ErrnoException): Why {
  return code === 'EACCES' || code === 'EPERM' ? 'no-permission' : 'unreadable'
}

/** What stands in a folder. Names as they are kept: not all that a disk holds are UTF-8. */
async function entriesOf(folder: string, path: string, unopened: Unopened[]): Promise<Dirent<Buffer>[]> {
  try {
    const entries = await readdir(join(folder, path), { withFileTypes: true, encoding: 'buffer' })
    return entries as unknown as Dirent<Buffer>[]
  } catch (error) {
    if (path === '') throw new Misuse(`${folder} is no folder`)
    unopened.push({ path, why: whyOf(error as NodeJS.ErrnoException) })
    return []
  }
}

/** The size of a file, or what else it is. */
async function lookAt(entry: Dirent<Buffer>, file: string): Promise<number | 'folder' | Why> {
  if (!Buffer.from(`${entry.name}`).equals(entry.name)) return 'no-utf8'
  if (entry.isSymbolicLink()) return 'link'
  if (entry.isDirectory()) return 'folder'
  return entry.isFile() ? sizeOf(file) : 'no-file'
}

/** Bytes of one block, as systems count them (POSIX, st_blocks). */
const BLOCK = 512

async function sizeOf(file: string): Promise<number | Why> {
  try {
    const { size, blocks } = await stat(file)
    // Copied, it would take all the room that it says it has.
    return size > LIMITS.fileBytes && blocks * BLOCK < size / 2 ? 'sparse' : size
  } catch (error) {
    return whyOf(error as NodeJS.ErrnoException)
  }
}
