import type { Linkage } from '@undo-ink/core'
import { useEffect, useState } from 'react'

/** The tree of clusters of some colors, computed in a worker; null until it is there. */
export function useLinkage(colors: readonly string[]): Linkage | null {
  const [linkage, setLinkage] = useState<Linkage | null>(null)
  useEffect(() => {
    const worker = new Worker(new URL('./linkage.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<Linkage>) => {
      setLinkage(data)
      // Its memory is of no more use.
      worker.terminate()
    }
    worker.postMessage(colors)
    return () => worker.terminate()
  }, [colors])
  return linkage
}
