import type { State } from '../../selector/state.ts'
import type { Slot } from './slot.ts'

/** Where a string stands in a script. */
export interface Around {
  readonly slot: Slot
  /** The states of the handler around it. */
  readonly states: readonly State[]
  /** What `this` is. */
  readonly self: string | null
}
