import { useStore } from 'zustand'
import { useCopy, usePlan } from './work.tsx'

/** What the pages are to look like now. */
export interface Reached {
  /** Of the plan, as recorded. */
  readonly version: number
  /** Another text for each state. */
  readonly key: string
}

/** All that changes what the pages look like under the plan: its version, and what is read of the copy, as a sheet that is taken in or left out changes neither copy nor plan. */
export function useReached(): Reached {
  const { snapshot, places } = useCopy()
  const { store } = usePlan()
  const version = useStore(store, ({ plan }) => plan.version)
  return { version, key: `${snapshot.id} ${version} ${places.length}` }
}
