import { colorsWritten, type TagString } from './tag-strings.ts'
import type { Tag } from './tags.ts'

/**
 * A text of the same length with its template tags blanked, line ends kept, so that what is around them can be read. The colors that a
 * tag may write stay where they are: there they are read as part of the value that the tag stands in.
 */
export function maskTags(text: string, tags: readonly Tag[], strings: (tag: Tag) => readonly TagString[]): string {
  const pieces: string[] = []
  let at = 0
  /** The last few units before a tag, all that is looked at. */
  let before = ''
  const put = (piece: string) => {
    pieces.push(piece)
    before = (before + piece.slice(-BEFORE)).slice(-BEFORE)
  }
  for (const tag of tags) {
    const blanked = blank(text.slice(tag.start, tag.end))
    put(text.slice(at, tag.start))
    at = tag.end
    // A tag may stand for the name of an element.
    if (/<\/?$/.test(before)) put(`x${blanked.slice(1)}`)
    else if (tag.kind === 'output' && isInValue(before)) put(uncover(blanked, text, tag, strings(tag)))
    else put(blanked)
  }
  pieces.push(text.slice(at))
  return pieces.join('')
}

const BEFORE = 20

function uncover(blanked: string, text: string, tag: Tag, strings: readonly TagString[]): string {
  let out = ''
  let at = 0
  for (const { start, end } of colorsWritten(text, tag, strings)) {
    out += blanked.slice(at, start - tag.start) + text.slice(start, end)
    at = end - tag.start
  }
  return out + blanked.slice(at)
}

/** Whether the text before a tag ends within a value: no rule or declaration has just begun or ended. */
function isInValue(before: string): boolean {
  return !/[{};]\s*$/.test(before)
}

export function blank(text: string): string {
  return text.replace(/[^\r\n]/g, ' ')
}

/** The same for a script: a tag that stands where an expression must stand leaves a number behind, or nothing could be read. */
export function maskForScript(masked: string, tags: readonly Tag[], start: number, end: number): string {
  let out = ''
  let at = start
  for (const tag of tags) {
    if (tag.start < start || tag.end > end || tag.kind !== 'output') continue
    const covered = masked.slice(tag.start, tag.end)
    if (
      covered.trim() !== '' ||
      !/(?:[=(,:[?&|+!]|\breturn)\s*$/.test(masked.slice(Math.max(start, tag.start - 20), tag.start))
    )
      continue
    out += `${masked.slice(at, tag.start)}0${covered.slice(1)}`
    at = tag.end
  }
  return out + masked.slice(at, end)
}
