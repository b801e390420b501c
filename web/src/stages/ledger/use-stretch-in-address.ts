import { useEffect, useRef } from 'react'
import { useView } from '../../work/view-store.ts'
import type { LedgerAddress } from './address.ts'

/** Keeps the stretch of the bands that is chosen and the one in the address the same: whichever of the two moved is followed. */
export function useStretchInAddress(
  { stretch: named }: LedgerAddress,
  change: (part: { stretch: readonly string[] }) => void,
): void {
  const { stretch, chooseStretch } = useView()
  const last = useRef({ named: '', chosen: (stretch ?? []).join(' ') })
  useEffect(() => {
    const now = { named: named.join(' '), chosen: (stretch ?? []).join(' ') }
    if (now.named !== now.chosen) {
      // On coming here, what the address says goes before what was chosen elsewhere, unless it says nothing.
      if (now.named !== last.current.named) chooseStretch(named.length > 0 ? named : null)
      else change({ stretch: stretch ?? [] })
    }
    last.current = now
  }, [named, stretch, chooseStretch, change])
}
