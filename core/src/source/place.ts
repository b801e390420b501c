import type { Range } from '../text/range.ts'

/** One place in a file, with its position; line and column from 1, in UTF-16 units. */
export interface Place {
  readonly range: Range
  readonly line: number
  readonly column: number
  /** Exactly the text of the range. */
  readonly raw: string
}
