import { useStore } from 'zustand'
import { useWork } from './work.tsx'

/** Changes with all that changes what the pages look like under the plan: its version, and what is read of the copy, as a sheet that is taken in or left out changes neither copy nor plan. */
export function useReached(): string {
  const { snapshot, places, store } = useWork()
  const version = useStore(store, ({ plan }) => plan.version)
  return `${snapshot.id} ${version} ${places.length}`
}
