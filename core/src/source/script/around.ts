import type { Signal } from '../../selector/state.ts'
import type { Slot } from './slot.ts'

/** Where a string stands in a script. */
export interface Around {
  readonly slot: Slot
  /** What its element answers to while the handler around it runs. */
  readonly signals: readonly Signal[]
  /** What `this` is. */
  readonly self: string | null
}
