import type { Linkage } from '@undo-ink/core'
import { useEffect, useState } from 'react'
import type { SitePlaces } from './places.ts'
import type { Stopped } from './stopped.ts'

/** The tree of clusters of all colors of a site, computed in a worker; null until it is there. */
export function useLinkage(places: SitePlaces): { readonly linkage: Linkage | null; readonly stopped: Stopped | null } {
  const [linkage, setLinkage] = useState<Linkage | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const [tries, setTries] = useState(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: every try begins anew
  useEffect(() => {
    const worker = new Worker(new URL('./linkage.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<Linkage>) => {
      setLinkage(data)
      // Its memory is of no more use.
      worker.terminate()
    }
    worker.onerror = (event) => setMessage(event.message)
    const colors = places.ledger.columns.color.values
    worker.postMessage({ colors, grounds: places.usedAs('ground') })
    return () => worker.terminate()
  }, [places, tries])
  const again = () => {
    setMessage(null)
    setTries((before) => before + 1)
  }
  return { linkage, stopped: message === null ? null : { what: 'The colours could not be compared', message, again } }
}
