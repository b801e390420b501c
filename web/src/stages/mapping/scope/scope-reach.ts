import { UNWRITABLE_WORDS } from '@undo-ink/contracts'
import { type RulePart, reacher, type ScopePage, type Target } from '@undo-ink/core'
import { partText } from '../../../work/decision-words.ts'
import type { PlaceOf } from '../../../work/places.ts'

/** What a scope does with one place. */
export interface Reached {
  readonly place: PlaceOf
  /** The part that it takes, or why it cannot, in words; empty: nothing to say. */
  readonly says: string
  /** null: it takes no part, but all or nothing. */
  readonly part: RulePart | null
}

/** The places of some colors by what a target does with them. */
export interface ScopeReach {
  readonly all: readonly Reached[]
  readonly part: readonly Reached[]
  readonly none: readonly Reached[]
  readonly unwritable: readonly Reached[]
}

export function scopeReach(target: Target, places: readonly PlaceOf[], pages: readonly ScopePage[]): ScopeReach {
  const reach: Record<keyof ScopeReach, Reached[]> = { all: [], part: [], none: [], unwritable: [] }
  const reachOf = reacher(pages)
  for (const place of places) {
    const found = reachOf(target, place)
    const says =
      found.kind === 'part'
        ? partText(found.part, place.selector)
        : found.kind === 'unwritable'
          ? UNWRITABLE_WORDS[found.why]
          : ''
    reach[found.kind].push({ place, says, part: found.kind === 'part' ? found.part : null })
  }
  return reach
}
