import { type QueryClient, queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import {
  type Choice,
  deletedSiteSchema,
  type NewSite,
  type Site,
  siteSchema,
  siteSummarySchema,
} from '@undo-ink/contracts'
import * as z from 'zod'
import { ask, askNothing, send } from './client.ts'

const sitesQuery = queryOptions({
  queryKey: ['sites'],
  queryFn: () => ask(z.array(siteSummarySchema), '/sites'),
})

export function siteQuery(id: string) {
  return queryOptions({ queryKey: ['site', id], queryFn: () => ask(siteSchema, `/sites/${id}`) })
}

export function useSites() {
  return useQuery({ ...sitesQuery, refetchOnMount: 'always' })
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
      await client.invalidateQueries({ queryKey: sitesQuery.queryKey })
    },
  })
}

export function useDeletedSites() {
  return useQuery({
    queryKey: [...sitesQuery.queryKey, 'deleted'],
    queryFn: () => ask(z.array(deletedSiteSchema), '/sites/deleted'),
  })
}

/** One file on its way to the server: a ZIP, or a file of a folder under its path. */
export interface Upload {
  readonly file: File
  readonly path: string
}

export function useSendCopy(siteId: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ kind, uploads }: { kind: 'zip' | 'files'; uploads: readonly Upload[] }) => {
      const body = new FormData()
      for (const { file, path } of uploads) body.append(kind, file, path)
      return ask(siteSchema, `/sites/${siteId}/copy`, { method: 'POST', body })
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
  void client.invalidateQueries({ queryKey: sitesQuery.queryKey })
}
