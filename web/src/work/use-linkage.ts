import type { Linkage } from '@undo-ink/core'
import { useEffect, useState } from 'react'
import type { SitePlaces } from './places.ts'

/** The tree of clusters of all colors of a site, computed in a worker; null until it is there. */
export function useLinkage(places: SitePlaces): Linkage | null {
  const [linkage, setLinkage] = useState<Linkage | null>(null)
  useEffect(() => {
    const worker = new Worker(new URL('./linkage.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<Linkage>) => {
      setLinkage(data)
      // Its memory is of no more use.
      worker.terminate()
    }
    const colors = places.ledger.columns.color.values
    worker.postMessage({ colors, grounds: places.usedAs('ground') })
    return () => worker.terminate()
  }, [places])
  return linkage
}
