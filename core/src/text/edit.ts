import type { Range } from './range.ts'

/** What an edit does to the file; `range` is empty for an insertion. */
export type EditKind = 'replace-literal' | 'change-declaration' | 'insert-rule' | 'split-rule'

/** One change of text in one file: its range in the received text, its replacement, and the decisions that asked for it. */
export interface Edit {
  readonly kind: EditKind
  readonly range: Range
  readonly replacement: string
  /** Opaque ids. */
  readonly decisions: readonly string[]
}

/** All edits of one file, ordered and free of overlaps, valid for a text of `length` units only. */
export interface FileEdits {
  readonly path: string
  /** Length of the received text in UTF-16 units. */
  readonly length: number
  readonly edits: readonly Edit[]
}

/** A broken invariant of the edit model: overlapping, outside the text, or made for another text. Never caused by inherited input. */
export class EditError extends Error {
  override name = 'EditError'
}

/** Orders edits and checks them. Two insertions at one offset keep their order. Throws EditError on overlap or a range outside the text. */
export function fileEdits(path: string, length: number, edits: readonly Edit[]): FileEdits {
  const sorted = edits.toSorted((a, b) => a.range.start - b.range.start || a.range.end - b.range.end)
  let reached = 0
  for (const { range } of sorted) {
    if (range.start < reached)
      throw new EditError(`${path}: an edit at ${range.start} overlaps one that ends at ${reached}`)
    if (range.end < range.start || range.end > length)
      throw new EditError(`${path}: ${range.start}-${range.end} is outside a text of ${length}`)
    reached = range.end
  }
  return { path, length, edits: sorted }
}

/** The text after the edits. Throws EditError for a text of another length. */
export function applyEdits(text: string, file: FileEdits): string {
  checkLength(text, file)
  let out = ''
  let at = 0
  for (const { range, replacement } of file.edits) {
    out += text.slice(at, range.start) + replacement
    at = range.end
  }
  return out + text.slice(at)
}

function checkLength(text: string, file: FileEdits): void {
  if (text.length !== file.length)
    throw new EditError(`${file.path}: edits for a text of ${file.length} units met one of ${text.length}`)
}
