import { queryOptions } from '@tanstack/react-query'
import { type NewEvent, type NewPalette, paletteSchema, planSchema } from '@undo-ink/contracts'
import { ask, send } from './client.ts'

export function getPlan(id: string) {
  return ask(planSchema, `/plans/${id}`)
}

export function postEvent(planId: string, event: NewEvent) {
  return ask(planSchema, `/plans/${planId}/events`, send(event))
}

export function postPalette(planId: string, palette: NewPalette) {
  return ask(planSchema, `/plans/${planId}/palette`, send(palette))
}

export function paletteQuery(id: string) {
  return queryOptions({
    queryKey: ['palette', id],
    queryFn: () => ask(paletteSchema, `/palettes/${id}`),
    // Another site of the client may have moved it on.
    refetchOnWindowFocus: true,
  })
}
