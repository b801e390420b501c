import { newViewSchema, viewSchema } from '@undo-ink/contracts'
import { Router } from 'express'
import * as z from 'zod'
import { answer, idOf } from '../../http/answer.ts'
import { getSite } from '../sites/service.ts'
import { forgetView, keepView, listViews } from './service.ts'

export function viewRoutes(): Router {
  const router = Router()
  router.get('/sites/:id/views', async (req, res) => {
    const { id } = await getSite(idOf(req.params.id))
    answer(res, z.array(viewSchema), await listViews(id))
  })
  router.post('/sites/:id/views', async (req, res) => {
    const { id } = await getSite(idOf(req.params.id))
    answer(res, viewSchema, await keepView(id, newViewSchema.parse(req.body)), 201)
  })
  router.delete('/views/:id', async (req, res) => {
    await forgetView(idOf(req.params.id))
    res.status(204).end()
  })
  return router
}
