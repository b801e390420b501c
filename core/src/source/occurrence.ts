import type { Notation } from '../color/literal.ts'
import type { State } from '../selector/state.ts'
import type { Finding } from '../text/finding.ts'
import type { Range } from '../text/range.ts'

/** What an occurrence paints. `variable`: a custom property, whose uses decide. */
export type Use = 'text' | 'ground' | 'line' | 'fill' | 'stroke' | 'shadow' | 'variable' | 'other'

/** Where a color stands: everything that a decision or a reader of the ledger may ask about its place. */
export interface Context {
  readonly property: string
  readonly use: Use
  /** The selector list as it applies, nesting resolved, or the element of a style attribute; null outside rules. */
  readonly selector: string | null
  /** Subject of each selector of the list, in its order, without repetition. */
  readonly subjects: readonly string[]
  /** The states that any selector of the list asks for, sorted; empty at rest. */
  readonly states: readonly State[]
  /** The strongest of the list; null where there is no selector (a style attribute wins over all). */
  readonly specificity: readonly [number, number, number] | null
  /** From the outermost in: `@media (max-width: 40em)`. */
  readonly atRules: readonly string[]
  /** First line of the comment under which the rule stands. */
  readonly heading: string | null
  readonly important: boolean
  /** The custom property that the value defines. */
  readonly variable: string | null
}

/** One place in a file, with its position; line and column from 1, in UTF-16 units. */
export interface Place {
  readonly range: Range
  readonly line: number
  readonly column: number
  /** Exactly the text of the range. */
  readonly raw: string
}

/** One hard-coded color literal. Law: `text.slice(range.start, range.end) === raw`. */
export interface Occurrence extends Place, Context {
  readonly notation: Notation
  /** The color's opaque key, see color/color.ts. */
  readonly color: string
  /** 0 to 1 */
  readonly alpha: number
  /** The functions around it, outermost first: `linear-gradient`, `var`, ... */
  readonly functions: readonly string[]
}

/** `transparent`, `currentColor` or a system color: no hard-coded color, listed apart. */
export interface Keyword extends Place, Context {
  /** In lower case. */
  readonly keyword: string
}

/** What one file holds. */
export interface Reading {
  readonly occurrences: readonly Occurrence[]
  readonly keywords: readonly Keyword[]
  readonly findings: readonly PlacedFinding[]
}

export type PlacedFinding = Finding & { readonly line: number; readonly column: number }
