import { blank } from './mask.ts'
import { blocksOf } from './tag-blocks.ts'
import type { Tag } from './tags.ts'

/** A block with a declaration in it. */
const RULE = /[\w)\]*"'-]\s*\{\s*(?:\/\*[^*]*\*\/\s*)?(?:--)?[a-z][\w-]*\s*:[^{}]*[;}]/i

/**
 * A template that is a stylesheet by what it holds, its blocks of other languages blanked: rules without an element around them, as partials and the
 * styles of letters are written. null: it is none.
 * @param text the file's, @param masked the same with its tags blanked
 */
export function sheetIn(text: string, masked: string, tags: readonly Tag[]): string | null {
  let sheet = ''
  let at = 0
  for (const { start, end } of blocksOf(text, tags)) {
    sheet += masked.slice(at, start) + blank(masked.slice(start, end))
    at = end
  }
  sheet += masked.slice(at)
  return RULE.test(sheet) && !/<[a-z!/]/i.test(sheet) ? sheet : null
}
