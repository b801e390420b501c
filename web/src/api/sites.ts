import {
  keepPreviousData,
  type QueryClient,
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query'
import {
  type Choice,
  deletedSiteSchema,
  listedClientSchema,
  type NewSite,
  type Site,
  type SiteSearch,
  siteListSchema,
  siteSchema,
} from '@undo-ink/contracts'
import type { NameEncoding } from '@undo-ink/core'
import * as z from 'zod'
import { ask, askNothing, send } from './client.ts'

/** Under it stand all lists of sites and clients. */
const LISTS = ['sites']

export function siteQuery(id: string) {
  return queryOptions({ queryKey: ['site', id], queryFn: () => ask(siteSchema, `/sites/${id}`) })
}

/** One page of the sites that are sought; while the next is on its way, the one before. */
export function useSites(search: SiteSearch) {
  return useQuery({
    queryKey: [...LISTS, search],
    queryFn: ({ signal }) =>
      ask(siteListSchema, `/sites?${new URLSearchParams({ ...search, page: `${search.page}` })}`, { signal }),
    refetchOnMount: 'always',
    placeholderData: keepPreviousData,
  })
}

export function useClients() {
  return useQuery({
    queryKey: [...LISTS, 'clients'],
    queryFn: () => ask(z.array(listedClientSchema), '/clients'),
    refetchOnMount: 'always',
  })
}

export function useMakeSite() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (site: NewSite) => ask(siteSchema, '/sites', send(site)),
    onSuccess: (site) => remember(client, site),
  })
}

/** An act about a site or a client in the list of sites. */
export type SiteAct =
  | { readonly kind: 'rename'; readonly of: 'sites' | 'clients'; readonly id: string; readonly name: string }
  | { readonly kind: 'delete'; readonly of: 'sites' | 'clients'; readonly id: string }
  | { readonly kind: 'restore'; readonly id: string }

export function useSiteAct() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (act: SiteAct) => {
      if (act.kind === 'restore') await askNothing(`/sites/${act.id}/restore`, send({}))
      else if (act.kind === 'rename')
        await askNothing(`/${act.of}/${act.id}`, { ...send({ name: act.name }), method: 'PATCH' })
      else await askNothing(`/${act.of}/${act.id}`, { method: 'DELETE' })
    },
    onSuccess: async () => {
      client.removeQueries({ queryKey: ['site'] })
      await client.invalidateQueries({ queryKey: LISTS })
    },
  })
}

export function useDeletedSites() {
  return useQuery({
    queryKey: [...LISTS, 'deleted'],
    queryFn: () => ask(z.array(deletedSiteSchema), '/sites/deleted'),
  })
}

/** One file on its way to the server: a ZIP, or a file of a folder under its path. */
export interface Upload {
  readonly file: File
  readonly path: string
}

interface Sending {
  readonly kind: 'zip' | 'files'
  readonly uploads: readonly Upload[]
  /** As what names of an archive are read that say no encoding; empty: as they make most sense. */
  readonly names: NameEncoding | ''
}

export function useSendCopy(siteId: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ kind, uploads, names }: Sending) => {
      const body = new FormData()
      // Percent-encoded: of a name as it is, quotes and line ends would be changed on the way.
      for (const { file, path } of uploads) body.append(kind, file, encodeURIComponent(path))
      return ask(siteSchema, `/sites/${siteId}/copy${names === '' ? '' : `?names=${names}`}`, { method: 'POST', body })
    },
    onSuccess: (site) => remember(client, site),
  })
}

/** Takes third-party files in, sets files aside, or takes the choice back. */
export function useChooseFiles(site: Site) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (choice: Choice) => ask(siteSchema, `/sites/${site.id}/choice`, { ...send(choice), method: 'PUT' }),
    onSuccess: (chosen) => remember(client, chosen),
  })
}

function remember(client: QueryClient, site: Site): void {
  client.setQueryData(siteQuery(site.id).queryKey, site)
  void client.invalidateQueries({ queryKey: LISTS })
}
