import { queryOptions, useQuery } from '@tanstack/react-query'
import { auditSchema, fileTextSchema, readLedger, visitSchema } from '@undo-ink/contracts'
import { ask, askBytes } from './client.ts'

/** What never changes is fetched once. */
const FOREVER = { staleTime: Number.POSITIVE_INFINITY, gcTime: 10 * 60_000 }

export function auditQuery(snapshotId: string) {
  return queryOptions({
    queryKey: ['audit', snapshotId],
    queryFn: () => ask(auditSchema, `/snapshots/${snapshotId}/audit`),
    ...FOREVER,
  })
}

export function ledgerQuery(snapshotId: string) {
  return queryOptions({
    queryKey: ['ledger', snapshotId],
    queryFn: async () => readLedger(await askBytes(`/snapshots/${snapshotId}/ledger`)),
    // Compared part by part it would cost more than drawing anew.
    structuralSharing: false,
    ...FOREVER,
  })
}

export function useFileText(fileId: string | null) {
  return useQuery({
    queryKey: ['text', fileId],
    queryFn: () => ask(fileTextSchema, `/files/${fileId}/text`),
    enabled: fileId !== null,
    ...FOREVER,
  })
}

export function useVisit(planId: string) {
  return useQuery({
    queryKey: ['visit', planId],
    queryFn: () => ask(visitSchema, `/plans/${planId}/visit`),
    staleTime: Number.POSITIVE_INFINITY,
  })
}
