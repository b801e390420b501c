import type { Range } from './range.ts'

/** The closed list of what can be odd about received text. One file of the interface words them. */
export type FindingCode =
  | 'unclosed-comment'
  | 'unclosed-string'
  | 'unclosed-block'
  | 'unexpected-close'
  | 'unreadable-css'
  | 'drawing-not-reversible'

/** Something that deserves a look, with its place. */
export interface Finding {
  readonly code: FindingCode
  readonly range: Range
  /** The text at the start of the range, at most 60 UTF-16 units, as evidence. */
  readonly excerpt: string
}
