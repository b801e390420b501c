import type { Snapshot } from '@undo-ink/contracts'
import type { Standing, Variable } from '@undo-ink/core'
import { useEffect, useState } from 'react'
import { getWords } from '../api/copies.ts'
import { LedgerDesk } from './ledger-desk.ts'

/** The desk of a ledger, told whenever the standing of its places moves; null until it is open. @param bytes the ledger as it came */
export function useDesk(
  bytes: Uint8Array,
  variables: readonly Variable[],
  { id, files }: Snapshot,
  { codes }: Standing,
): LedgerDesk | null {
  const [desk, setDesk] = useState<LedgerDesk | null>(null)
  useEffect(() => {
    const paths = (some: Snapshot['files']) => new Set(some.map(({ path }) => path))
    const opened = new LedgerDesk(
      bytes,
      variables,
      {
        thirdParty: paths(files.filter(({ thirdParty }) => thirdParty !== null)),
        generated: paths(files.filter(({ generatedFrom }) => generatedFrom !== null)),
      },
      () => getWords(id),
    )
    setDesk(opened)
    return () => opened.close()
  }, [bytes, variables, id, files])
  useEffect(() => desk?.standings(codes), [desk, codes])
  return desk
}
