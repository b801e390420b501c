/** A half-open range [start, end) in UTF-16 code units of one file's decoded text. */
export interface Range {
  readonly start: number
  readonly end: number
}
