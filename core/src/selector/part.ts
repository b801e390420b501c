import type { State } from './state.ts'

/** One complex selector of a list: whom it paints, in which states, how strong it is. */
export interface SelectorPart {
  /** The selector with its states taken off. */
  readonly subject: string
  /** Sorted, without repetition; empty at rest. */
  readonly states: readonly State[]
  /** Selectors 4 §17: ids, classes, types. */
  readonly specificity: readonly [number, number, number]
}
