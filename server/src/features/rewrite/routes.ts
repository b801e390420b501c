import { pipeline } from 'node:stream/promises'
import { Router } from 'express'
import { SiteRow, SnapshotRow } from '../../db/models.ts'
import { idOf } from '../../http/answer.ts'
import { requireAudit } from '../audit/service.ts'
import { requirePlan } from '../plans/service.ts'
import { rewriteZip } from './service.ts'
import type { Writer } from './writer.ts'

export function rewriteRoutes(writer: Writer): Router {
  const router = Router()
  router.get('/plans/:id/copy.zip', async (req, res) => {
    const plan = await requirePlan(idOf(req.params.id))
    await requireAudit(plan.snapshotId)
    const snapshot = await SnapshotRow.findByPk(plan.snapshotId, { rejectOnEmpty: true })
    const site = await SiteRow.findByPk(snapshot.siteId, { rejectOnEmpty: true })
    res.attachment(`${fileName(site.name)}-recoloured.zip`)
    await pipeline(await rewriteZip(plan, writer), res)
  })
  return router
}

function fileName(name: string): string {
  return (
    name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-+|-+$/g, '') || 'site'
  )
}
