import type { Dirent } from 'node:fs'
import { readdir, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { LIMITS } from '@undo-ink/contracts/limits'
import { isLitter } from '@undo-ink/core'
import { Misuse } from './misuse.ts'

/** Why something in a folder is not opened, in words. */
const WHY = {
  link: 'it is a link; what it leads to is not followed',
  'no-file': 'it is neither a file nor a folder',
  'no-utf8': 'its name is not UTF-8',
  sparse: 'it takes far less room than it has bytes',
  'no-permission': 'it may not be read',
  unreadable: 'it cannot be read',
} as const
type Why = keyof typeof WHY

/** Something that is not opened; of a name that is not UTF-8 what can be told of it. */
export interface Unopened {
  readonly path: string
  readonly why: Why
}

export interface Walked {
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
    const path = at
    const entries = await listOf(join(folder, path)).catch((error: NodeJS.ErrnoException) => {
      if (path === '') throw new Misuse(`${folder} is no folder`)
      unopened.push({ path, why: whyOf(error) })
      return []
    })
    for (const entry of entries) {
      const name = entry.name.toString('utf8')
      const path = at === '' ? name : `${at}/${name}`
      if (isLitter(path)) continue
      const isFound = Buffer.from(name).equals(entry.name)
      const why = !isFound ? 'no-utf8' : entry.isSymbolicLink() ? 'link' : null
      if (why !== null) unopened.push({ path, why })
      else if (entry.isDirectory()) folders.push(path)
      else if (!entry.isFile()) unopened.push({ path, why: 'no-file' })
      else {
        const found = await sizeOf(join(folder, path))
        if (typeof found === 'number') files.push({ path, size: found })
        else unopened.push({ path, why: found })
      }
    }
  }
  const byPath = (a: { path: string }, b: { path: string }) => (a.path < b.path ? -1 : 1)
  return { files: files.toSorted(byPath), unopened: unopened.toSorted(byPath) }
}

/** For the error stream: one line for each. */
export function unopenedText(unopened: readonly Unopened[]): string {
  return unopened.map(({ path, why }) => `left out: ${path}: ${WHY[why]}\n`).join('')
}

export function whyOf({ code }: NodeJS.ErrnoException): Why {
  return code === 'EACCES' || code === 'EPERM' ? 'no-permission' : 'unreadable'
}

/** Names as they are kept: not all that a disk holds are UTF-8. */
function listOf(folder: string): Promise<Dirent<Buffer>[]> {
  return readdir(folder, { withFileTypes: true, encoding: 'buffer' }) as unknown as Promise<Dirent<Buffer>[]>
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
