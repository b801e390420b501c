import { type Cluster, type Observation, type OpaqueKey, observe, type Suggestion, suggestions } from '@undo-ink/core'
import { useEffect, useMemo, useState } from 'react'
import { useWork } from '../../work/work.tsx'

/** Places of one cluster that are looked at: enough to tell what it is, on sites of any size. */
const MOST_SEEN = 100

/** Milliseconds for which clusters are looked at in one go, so that no frame waits. */
const AT_ONCE = 8

/** What is seen of a cluster is kept as long as the cluster is. */
const observations = new WeakMap<Cluster, Observation>()

/** What each cluster could become, by its lead; empty until all of them have been looked at, a few at a time. */
export function useSuggestions(): ReadonlyMap<OpaqueKey, readonly Suggestion[]> {
  const { clusters, places, roles } = useWork()
  const [seenOf, setSeenOf] = useState<readonly Cluster[] | null>(null)
  useEffect(() => {
    let [next, timer] = [0, 0]
    const go = () => {
      for (
        const start = performance.now();
        clusters && next < clusters.length && performance.now() - start < AT_ONCE;
        next++
      ) {
        const cluster = clusters[next] as Cluster
        if (!observations.has(cluster))
          observations.set(cluster, observe(places.some(places.ofColors(cluster.members).subarray(0, MOST_SEEN))))
      }
      if (clusters && next < clusters.length) timer = window.setTimeout(go)
      else setSeenOf(clusters)
    }
    timer = window.setTimeout(go)
    return () => window.clearTimeout(timer)
  }, [clusters, places])
  return useMemo(() => {
    const observed = (seenOf ?? []).flatMap((cluster) => {
      const seen = observations.get(cluster)
      return seen ? [{ lead: cluster.lead, seen }] : []
    })
    return suggestions(observed, roles)
  }, [seenOf, roles])
}
