import { fileTextSchema } from '@undo-ink/contracts'
import { Router } from 'express'
import { answer, idOf } from '../../http/answer.ts'
import { type Auditor, getAudit, getFileText } from './service.ts'

export function auditRoutes(auditor: Auditor): Router {
  const router = Router()
  router.get('/snapshots/:id/audit', async (req, res) => {
    // Not checked here: it is large, made by core, and the interface checks what it reads.
    res.json(await getAudit(auditor, idOf(req.params.id)))
  })
  router.get('/files/:id/text', async (req, res) => {
    answer(res, fileTextSchema, await getFileText(idOf(req.params.id)))
  })
  return router
}
