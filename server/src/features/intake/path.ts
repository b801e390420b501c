import { createHash } from 'node:crypto'
import { LIMITS } from '@undo-ink/contracts'
import { Refusal } from '../../http/problem.ts'

/** Why a file is left out for its name alone. */
export type BadName = 'name-too-long' | 'name-unsafe'

/** Where a received file stands in its site, with `/` between the parts. */
export interface NamedFile {
  readonly path: string
  /** null: its name can be kept. Else the path tells of it, but is none to write to. */
  readonly bad: BadName | null
}

/**
 * The path of a file of an archive: a backslash parts names there, as some packers write it. Refuses what would lead out of the site, and what
 * could not be written on another system.
 */
export function archivePath(name: string): NamedFile {
  const { path, bad } = sitePath(name.replaceAll('\\', '/'), name)
  if (bad === 'name-unsafe') throw leadsOut(name)
  return { path, bad }
}

/** The path of a file of a folder, whose names are as they are on its disk: one that could not be written elsewhere is left out alone. */
export function folderPath(name: string): NamedFile {
  return sitePath(name, name)
}

function sitePath(path: string, name: string): NamedFile {
  const parts = path.split('/').filter((part) => part !== '.')
  const isOutside =
    path.startsWith('/') ||
    /^[a-z]:/i.test(path) ||
    parts.length === 0 ||
    parts.some((part) => part === '..' || part === '')
  if (isOutside) throw leadsOut(name)
  const made = parts.join('/')
  // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for
  if (/[\u0000-\u001f\u007f]/.test(made) || made.split('/').some((part) => /(?:^|\\)\.\.(?:\\|$)/.test(part)))
    return { path: told(made), bad: 'name-unsafe' }
  return made.length > LIMITS.pathLength ? { path: told(made), bad: 'name-too-long' } : { path: made, bad: null }
}

function leadsOut(name: string): Refusal {
  return new Refusal(
    'unsafe-path',
    'A file name leads out of the site; nothing was taken in',
    JSON.stringify(name.slice(0, 120)),
  )
}

/** A name that is not kept, as it is listed: short, and no other's. */
function told(name: string): string {
  if (name.length <= LIMITS.pathLength) return name
  return `${name.slice(0, 100)}…${createHash('sha256').update(name).digest('hex').slice(0, 8)}`
}

/** The one folder that holds everything, as `name/`, or an empty text: sites are packed with or without it. */
export function commonRoot(paths: readonly string[]): string {
  const first = paths[0]?.split('/')[0]
  if (first === undefined) return ''
  return paths.every((path) => path.startsWith(`${first}/`)) ? `${first}/` : ''
}
