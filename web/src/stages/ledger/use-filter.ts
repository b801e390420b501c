import type { State, Use } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import type { PlaceOf } from '../../work/places.ts'

/** What of the ledger is shown; an empty choice limits nothing. */
export interface Filter {
  readonly use: Use | null
  /** `rest`: places that ask for no state. */
  readonly state: State | 'rest' | null
}

export function passes(place: PlaceOf, { use, state }: Filter): boolean {
  if (use !== null && place.use !== use) return false
  if (state === null) return true
  return state === 'rest' ? place.states.length === 0 : place.states.includes(state)
}

export interface FacetValue<T> {
  readonly value: T
  readonly count: number
}

/** How many places each use and state has among those that the other choice lets through. */
export function useFilter(places: readonly PlaceOf[]) {
  const [filter, setFilter] = useState<Filter>({ use: null, state: null })
  return useMemo(() => {
    const uses = new Map<Use, number>()
    const states = new Map<State | 'rest', number>()
    for (const place of places) {
      if (passes(place, { ...filter, use: null })) uses.set(place.use, (uses.get(place.use) ?? 0) + 1)
      if (!passes(place, { ...filter, state: null })) continue
      for (const state of place.states.length > 0 ? place.states : (['rest'] as const))
        states.set(state, (states.get(state) ?? 0) + 1)
    }
    return {
      filter,
      setFilter,
      shown: places.filter((place) => passes(place, filter)),
      uses: sorted(uses),
      states: sorted(states),
    }
  }, [places, filter])
}

function sorted<T>(counts: ReadonlyMap<T, number>): FacetValue<T>[] {
  return [...counts].map(([value, count]) => ({ value, count })).toSorted((a, b) => b.count - a.count)
}
