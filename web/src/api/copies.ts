import { queryOptions, useQueries, useQuery } from '@tanstack/react-query'
import { type FileText, fileTextSchema, readAudit, readLedger, visitSchema } from '@undo-ink/contracts'
import type { Ledger } from '@undo-ink/core'
import { ask, askBytes } from './client.ts'

/** What never changes is fetched once. */
const FOREVER = { staleTime: Number.POSITIVE_INFINITY, gcTime: 10 * 60_000 }

export function auditQuery(snapshotId: string) {
  return queryOptions({
    queryKey: ['audit', snapshotId],
    queryFn: async () => readAudit(await askBytes(`/snapshots/${snapshotId}/audit`)),
    // Compared part by part it would cost more than drawing anew.
    structuralSharing: false,
    ...FOREVER,
  })
}

/** A ledger, and the bytes that it is a view of. */
export interface ReceivedLedger {
  readonly bytes: Uint8Array
  readonly ledger: Ledger
}

export function ledgerQuery(snapshotId: string) {
  return queryOptions({
    queryKey: ['ledger', snapshotId],
    queryFn: async (): Promise<ReceivedLedger> => {
      const bytes = await askBytes(`/snapshots/${snapshotId}/ledger`)
      return { bytes, ledger: readLedger(bytes) }
    },
    // Compared part by part it would cost more than drawing anew.
    structuralSharing: false,
    ...FOREVER,
  })
}

/** What the pages show, as it came: the worker that seeks in it reads it. */
export function getWords(snapshotId: string): Promise<Uint8Array> {
  return askBytes(`/snapshots/${snapshotId}/words`)
}

/** The bytes of an image of the copy. */
export function useImageBytes(fileId: string | null) {
  return useQuery({
    queryKey: ['bytes', fileId],
    queryFn: () => askBytes(`/files/${fileId}/bytes`),
    enabled: fileId !== null,
    structuralSharing: false,
    staleTime: Number.POSITIVE_INFINITY,
  })
}

const textQuery = (fileId: string) => ({
  queryKey: ['text', fileId],
  queryFn: () => ask(fileTextSchema, `/files/${fileId}/text`),
  ...FOREVER,
})

export function useFileText(fileId: string | null) {
  return useQuery({ ...textQuery(fileId ?? ''), enabled: fileId !== null })
}

/** The texts of some files by their paths, as they come. */
export function useFileTexts(fileIds: readonly string[]): ReadonlyMap<string, FileText> {
  return useQueries({ queries: fileIds.map(textQuery), combine: textsByPath })
}

function textsByPath(answers: readonly { readonly data: FileText | undefined }[]): ReadonlyMap<string, FileText> {
  return new Map(answers.flatMap(({ data }) => (data ? [[data.path, data] as const] : [])))
}

export function useVisit(planId: string) {
  return useQuery({
    queryKey: ['visit', planId],
    queryFn: () => ask(visitSchema, `/plans/${planId}/visit`),
    staleTime: Number.POSITIVE_INFINITY,
  })
}
