import { queryOptions } from '@tanstack/react-query'
import { type NewEvent, type NewPalette, paletteSchema, planSchema, planTailSchema } from '@undo-ink/contracts'
import { ask, send } from './client.ts'

export function getPlan(id: string) {
  return ask(planSchema, `/plans/${id}`)
}

/** What came to a plan behind a version. */
export function getTail(planId: string, after: number) {
  return ask(planTailSchema, `/plans/${planId}/events?after=${after}`)
}

export function postEvent(planId: string, event: NewEvent) {
  return ask(planTailSchema, `/plans/${planId}/events`, send(event))
}

export function postPalette(planId: string, palette: NewPalette) {
  return ask(planTailSchema, `/plans/${planId}/palette`, send(palette))
}

export function paletteQuery(id: string) {
  return queryOptions({
    queryKey: ['palette', id],
    queryFn: () => ask(paletteSchema, `/palettes/${id}`),
    // Another site of the client may have moved it on.
    refetchOnWindowFocus: true,
  })
}
