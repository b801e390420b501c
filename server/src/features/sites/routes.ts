import { newSiteSchema, siteSchema, siteSummarySchema } from '@undo-ink/contracts'
import { Router } from 'express'
import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { answer, idOf } from '../../http/answer.ts'
import { getSite, makeSite, summarizeSites } from './service.ts'

export function siteRoutes(sequelize: Sequelize): Router {
  const router = Router()
  router.get('/sites', async (_req, res) => {
    answer(res, z.array(siteSummarySchema), await summarizeSites())
  })
  router.post('/sites', async (req, res) => {
    answer(res, siteSchema, await makeSite(sequelize, newSiteSchema.parse(req.body)), 201)
  })
  router.get('/sites/:id', async (req, res) => {
    answer(res, siteSchema, await getSite(idOf(req.params.id)))
  })
  return router
}
