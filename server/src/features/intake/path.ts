import { LIMITS } from '@undo-ink/contracts'
import { Refusal } from '../../http/problem.ts'

/**
 * The path of a received file within its site, with `/` between its parts. Refuses what would lead out of the site or could not be
 * written on another system: absolute paths, drive letters, `..`, control characters, more than LIMITS.pathLength units.
 */
export function sitePath(name: string): string {
  const path = name.replaceAll('\\', '/')
  const parts = path.split('/').filter((part) => part !== '.')
  const unsafe =
    path.startsWith('/') ||
    /^[a-z]:/i.test(path) ||
    // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for
    /[\u0000-\u001f\u007f]/.test(path) ||
    parts.length === 0 ||
    parts.some((part) => part === '..' || part === '')
  if (unsafe) throw new Refusal('unsafe-path', 'A file name leads out of the site; nothing was taken in', shown(name))
  if (path.length > LIMITS.pathLength)
    throw new Refusal('unsafe-path', `A file name is longer than ${LIMITS.pathLength} characters`, shown(name))
  return parts.join('/')
}

function shown(name: string): string {
  return JSON.stringify(name.slice(0, 120))
}

/** The one folder that holds everything, as `name/`, or an empty text: sites are packed with or without it. */
export function commonRoot(paths: readonly string[]): string {
  const first = paths[0]?.split('/')[0]
  if (first === undefined) return ''
  return paths.every((path) => path.startsWith(`${first}/`)) ? `${first}/` : ''
}
