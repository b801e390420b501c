import { useEffect, useRef, useState } from 'react'
import { useLocation, useSearchParams } from 'react-router'
import { useStable } from '../../work/use-stable.ts'
import { type LedgerAddress, readAddress, writeAddress } from './address.ts'

/** Milliseconds after which an address that is being dragged or typed is written: browsers refuse to have it written at every step. */
const SETTLED = 250

interface AddressChange {
  /** A step on the way, as of a drag or of typing; without it, a choice of its own, from which one can go back. */
  readonly asStep?: boolean
}

/** The address of the ledger, and the act that changes parts of it. What is shown follows at once, the browser's address when it has settled;
 * a step on the way is written past the router, which would draw all that stands in an address anew. */
export function useAddress(): [LedgerAddress, (part: Partial<LedgerAddress>, how?: AddressChange) => void] {
  const [params, setParams] = useSearchParams()
  const { key } = useLocation()
  const [address, setAddress] = useState(() => readAddress(params))
  const written = useRef(params.toString())
  /** Addresses that the router was given and does not show yet, oldest first: it takes its time, and more may be done meanwhile. */
  const onTheWay = useRef<readonly string[]>([])
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a link to the address that the router knows is a way back from steps it does not
  useEffect(() => {
    const shown = params.toString()
    const own = onTheWay.current.lastIndexOf(shown)
    if (own >= 0) onTheWay.current = onTheWay.current.slice(own + 1)
    if (own >= 0 || shown === written.current) return
    // Gone back, gone forward, or come by a link.
    written.current = shown
    setAddress(readAddress(params))
  }, [params, key])
  useEffect(() => () => clearTimeout(timer.current), [])
  const change = useStable((part: Partial<LedgerAddress>, { asStep = false }: AddressChange = {}) => {
    const next = { ...address, ...part }
    setAddress(next)
    clearTimeout(timer.current)
    const write = () => {
      const now = writeAddress(next)
      if (now.toString() === written.current) return
      written.current = now.toString()
      if (asStep) return history.replaceState(history.state, '', `?${now}`)
      onTheWay.current = [...onTheWay.current, now.toString()]
      setParams(now)
    }
    if (asStep) timer.current = setTimeout(write, SETTLED)
    else write()
  })
  return [address, change]
}
