import type { Range } from '../text/range.ts'

/** How a text stands in its file that is not written plainly. */
export type Drawing =
  /** A value of YAML without quotes: whatever does not begin with a letter needs them. */
  | { readonly encoding: 'plain-scalar' }
  | { readonly encoding: 'percent' }
  /** Where the payload stands in the file, and what it is decoded. */
  | { readonly encoding: 'base64'; readonly payload: Range; readonly text: string }

/** A stretch of a file that is read as a text of its own: an embedded sheet, an attribute's value with its references decoded, a drawing. */
export interface Embedded {
  readonly text: string
  /** Offset in the file's text of an offset in this text; within a base64 payload, in the payload decoded. */
  toSource(offset: number): number
  /** The encoded drawing that it is in. */
  readonly drawing: Drawing | null
}

/** A stretch of a text as a text of its own. */
export function part(outer: Embedded, start: number, end: number): Embedded {
  return within(outer, outer.text.slice(start, end), (offset) => start + offset)
}

/** A text within another. @param toOuter offset in the outer text of an offset in this one */
export function within(outer: Embedded, text: string, toOuter: (offset: number) => number): Embedded {
  return { text, toSource: (offset) => outer.toSource(toOuter(offset)), drawing: outer.drawing }
}

/**
 * Whether tags of a template, or expressions of code, write a part of a stretch: they are blanked in it.
 * @param source text of the file
 */
export function isAssembled({ text, toSource, drawing }: Embedded, { start, end }: Range, source: string): boolean {
  if (drawing?.encoding === 'base64') return false
  const written = source.slice(toSource(start), toSource(end))
  // Where references or escapes are decoded, lengths differ.
  return written.length === end - start && written !== text.slice(start, end)
}
