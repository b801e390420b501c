import { newEventSchema, newPaletteSchema, planSchema, planTailSchema, tailQuerySchema } from '@undo-ink/contracts'
import { Router } from 'express'
import type { Sequelize } from 'sequelize'
import { answer, idOf } from '../../http/answer.ts'
import { changePalette, getPlan, getTail, recordEvent } from './service.ts'

export function planRoutes(sequelize: Sequelize): Router {
  const router = Router()
  router.get('/plans/:id', async (req, res) => {
    answer(res, planSchema, await getPlan(idOf(req.params.id)))
  })
  router.get('/plans/:id/events', async (req, res) => {
    const { after } = tailQuerySchema.parse(req.query)
    answer(res, planTailSchema, await getTail(idOf(req.params.id), after))
  })
  router.post('/plans/:id/events', async (req, res) => {
    const event = newEventSchema.parse(req.body)
    answer(res, planTailSchema, await recordEvent(sequelize, idOf(req.params.id), event), 201)
  })
  router.post('/plans/:id/palette', async (req, res) => {
    const palette = newPaletteSchema.parse(req.body)
    answer(res, planTailSchema, await changePalette(sequelize, idOf(req.params.id), palette), 201)
  })
  return router
}
