import { type Part, reacher, type ScopePage, splitList, type Target, type Unwritable } from '@undo-ink/core'
import type { PlaceOf } from '../../../work/places.ts'

/** What a scope does with one place. */
export interface Reached {
  readonly place: PlaceOf
  /** The part that it takes, or why it cannot, in words; empty: nothing to say. */
  readonly says: string
}

/** The places of some colors by what a target does with them. */
export interface ScopeReach {
  readonly all: readonly Reached[]
  readonly part: readonly Reached[]
  readonly none: readonly Reached[]
  readonly unwritable: readonly Reached[]
}

const UNWRITABLE_WORDS: Readonly<Record<Unwritable, string>> = {
  'no-rule': 'no rule: an attribute, a script or a setting holds for all or none',
  keyframes: 'a step of an animation, which has no selector',
  variable: 'a variable: what takes it decides where it shows',
  language: 'a sheet without braces, in which no rule is added',
  'page-alike': 'nothing on its root tells this page from others',
}

export function scopeReach(target: Target, places: readonly PlaceOf[], pages: readonly ScopePage[]): ScopeReach {
  const reach: Record<keyof ScopeReach, Reached[]> = { all: [], part: [], none: [], unwritable: [] }
  const reachOf = reacher(pages)
  for (const place of places) {
    const found = reachOf(target, place)
    const says =
      found.kind === 'part'
        ? partText(found.part, place)
        : found.kind === 'unwritable'
          ? UNWRITABLE_WORDS[found.why]
          : ''
    reach[found.kind].push({ place, says })
  }
  return reach
}

/** The selectors and conditions of a part, as its rule will have them. */
function partText({ selectors, width }: Part, { selector }: PlaceOf): string {
  const isList = selectors.length < splitList(selector ?? '').length
  const within = [...new Set(selectors.flatMap((each) => each.within))]
  return [
    isList ? `only ${selectors.map(({ text }) => text).join(', ')}` : '',
    within.length > 0 ? `within ${within.join(' and ')}` : '',
    width === null ? '' : `where ${width}`,
  ]
    .filter((text) => text !== '')
    .join(', ')
}
