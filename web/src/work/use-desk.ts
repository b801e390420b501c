import type { Snapshot } from '@undo-ink/contracts'
import type { Standing } from '@undo-ink/core'
import { useEffect, useState } from 'react'
import { getWords } from '../api/copies.ts'
import { LedgerDesk } from './ledger-desk.ts'
import type { Stopped } from './stopped.ts'

/** The desk of a ledger, told whenever the standing of its places moves; null until it is open. @param bytes the ledger as it came */
export function useDesk(
  bytes: Uint8Array,
  apart: Uint8Array,
  { id, files }: Snapshot,
  { codes }: Standing,
): { readonly desk: LedgerDesk | null; readonly stopped: Stopped | null } {
  const [desk, setDesk] = useState<LedgerDesk | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const [tries, setTries] = useState(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: every try begins anew
  useEffect(() => {
    const paths = (some: Snapshot['files']) => new Set(some.map(({ path }) => path))
    const opened = new LedgerDesk(
      bytes,
      apart,
      {
        thirdParty: paths(files.filter(({ thirdParty }) => thirdParty !== null)),
        generated: paths(files.filter(({ generatedFrom }) => generatedFrom !== null)),
      },
      () => getWords(id),
      setMessage,
    )
    setDesk(opened)
    return () => opened.close()
  }, [bytes, apart, id, files, tries])
  useEffect(() => desk?.standings(codes), [desk, codes])
  const again = () => {
    setMessage(null)
    setTries((before) => before + 1)
  }
  return { desk, stopped: message === null ? null : { what: 'The ledger cannot be asked', message, again } }
}
