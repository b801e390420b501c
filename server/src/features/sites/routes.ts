import {
  deletedSiteSchema,
  listedClientSchema,
  newSiteSchema,
  renamingSchema,
  siteListSchema,
  siteSchema,
  siteSearchSchema,
} from '@undo-ink/contracts'

import { Router } from 'express'
import type { Sequelize } from 'sequelize'
import * as z from 'zod'
import { answer, idOf } from '../../http/answer.ts'
import type { Writer } from '../rewrite/writer.ts'
import { deleteClient, deleteSite, listDeleted, renameClient, renameSite, restoreSite } from './deleting.ts'
import { getSite, makeSite, summarizeSites } from './service.ts'
import { listClients } from './store.ts'

export function siteRoutes(sequelize: Sequelize, writer: Writer): Router {
  const router = Router()
  router.get('/sites', async (req, res) => {
    const search = siteSearchSchema.parse(req.query)
    const left = new AbortController()
    res.once('close', () => left.abort())
    try {
      answer(res, siteListSchema, await summarizeSites(sequelize, search, writer, left.signal))
    } catch (error) {
      // Nothing is worked out, nor told, for whom is gone.
      if (!left.signal.aborted) throw error
    }
  })
  router.post('/sites', async (req, res) => {
    answer(res, siteSchema, await makeSite(sequelize, newSiteSchema.parse(req.body)), 201)
  })
  router.get('/sites/deleted', async (_req, res) => {
    answer(res, z.array(deletedSiteSchema), await listDeleted())
  })
  router.patch('/sites/:id', async (req, res) => {
    const id = idOf(req.params.id)
    await renameSite(id, renamingSchema.parse(req.body).name)
    answer(res, siteSchema, await getSite(id))
  })
  router.delete('/sites/:id', async (req, res) => {
    await deleteSite(idOf(req.params.id))
    res.status(204).end()
  })
  router.post('/sites/:id/restore', async (req, res) => {
    const id = idOf(req.params.id)
    await restoreSite(sequelize, id)
    answer(res, siteSchema, await getSite(id))
  })
  router.get('/clients', async (_req, res) => {
    answer(res, z.array(listedClientSchema), await listClients(sequelize))
  })
  router.patch('/clients/:id', async (req, res) => {
    await renameClient(idOf(req.params.id), renamingSchema.parse(req.body).name)
    res.status(204).end()
  })
  router.delete('/clients/:id', async (req, res) => {
    await deleteClient(sequelize, idOf(req.params.id))
    res.status(204).end()
  })
  router.get('/sites/:id', async (req, res) => {
    answer(res, siteSchema, await getSite(idOf(req.params.id)))
  })
  return router
}
