import { paletteSchema } from '@undo-ink/contracts'
import { Router } from 'express'
import { answer, idOf } from '../../http/answer.ts'
import { getPalette } from './service.ts'

export function paletteRoutes(): Router {
  const router = Router()
  router.get('/palettes/:id', async (req, res) => {
    answer(res, paletteSchema, await getPalette(idOf(req.params.id)))
  })
  return router
}
