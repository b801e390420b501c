import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { type NewView, viewSchema } from '@undo-ink/contracts'
import * as z from 'zod'
import { ask, askNothing, send } from './client.ts'

function viewsQuery(siteId: string) {
  return queryOptions({
    queryKey: ['views', siteId],
    queryFn: () => ask(z.array(viewSchema), `/sites/${siteId}/views`),
  })
}

export function useViews(siteId: string) {
  return useQuery(viewsQuery(siteId))
}

export function useKeepView(siteId: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (view: NewView) => ask(viewSchema, `/sites/${siteId}/views`, send(view)),
    onSuccess: () => client.invalidateQueries({ queryKey: viewsQuery(siteId).queryKey }),
  })
}

export function useForgetView(siteId: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (id: string) => askNothing(`/views/${id}`, { method: 'DELETE' }),
    onSuccess: () => client.invalidateQueries({ queryKey: viewsQuery(siteId).queryKey }),
  })
}
