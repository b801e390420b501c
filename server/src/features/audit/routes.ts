import { gunzipSync } from 'node:zlib'
import { choiceSchema, fileTextSchema, siteSchema } from '@undo-ink/contracts'
import { type Request, type Response, Router } from 'express'
import type { Sequelize } from 'sequelize'
import { answer, idOf } from '../../http/answer.ts'
import { getSite } from '../sites/service.ts'
import { getAuditPart, getFileText, getImageBytes, requestAudit } from './service.ts'

export function auditRoutes(sequelize: Sequelize): Router {
  const router = Router()
  // Not checked here: all three are large, made by core, and the interface checks what it reads.
  router.get('/snapshots/:id/ledger', async (req, res) => {
    const bytes = await getAuditPart(idOf(req.params.id), 'ledger')
    sendPacked(req, res, 'application/octet-stream', bytes)
  })
  router.get('/snapshots/:id/audit', async (req, res) => {
    const bytes = await getAuditPart(idOf(req.params.id), 'apart')
    sendPacked(req, res, 'application/json', bytes)
  })
  router.get('/snapshots/:id/words', async (req, res) => {
    const bytes = await getAuditPart(idOf(req.params.id), 'words')
    sendPacked(req, res, 'application/json', bytes)
  })
  router.put('/sites/:id/choice', async (req, res) => {
    const siteId = idOf(req.params.id)
    await requestAudit(sequelize, siteId, choiceSchema.parse(req.body))
    answer(res, siteSchema, await getSite(siteId), 202)
  })
  router.post('/sites/:id/audit', async (req, res) => {
    const siteId = idOf(req.params.id)
    await requestAudit(sequelize, siteId, null)
    answer(res, siteSchema, await getSite(siteId), 202)
  })
  router.get('/files/:id/text', async (req, res) => {
    answer(res, fileTextSchema, await getFileText(idOf(req.params.id)))
  })
  // For the interface, which draws an image to pick a color from it. Never shown as what it is: inherited files run nowhere but in the visitor origin.
  router.get('/files/:id/bytes', async (req, res) => {
    const bytes = await getImageBytes(idOf(req.params.id))
    res.set({
      'Content-Type': 'application/octet-stream',
      'Content-Disposition': 'attachment',
      'Content-Security-Policy': "default-src 'none'; sandbox",
    })
    res.send(bytes)
  })
  return router
}

/** Sends what is stored in gzip as it is stored, to whoever takes it so. */
function sendPacked(req: Request, res: Response, type: string, bytes: Buffer): void {
  const packed = req.acceptsEncodings('gzip') !== false
  res.set({ 'Content-Type': type, Vary: 'Accept-Encoding' })
  if (packed) res.set('Content-Encoding', 'gzip')
  res.send(packed ? bytes : gunzipSync(bytes))
}
