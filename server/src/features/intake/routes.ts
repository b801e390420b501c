import { copyQuerySchema, siteSchema } from '@undo-ink/contracts'
import { Router } from 'express'
import type { Sequelize } from 'sequelize'
import type { Config } from '../../config.ts'
import { withFolder } from '../../folders.ts'
import { answer, idOf } from '../../http/answer.ts'
import { Refusal } from '../../http/problem.ts'
import { refuseBusy } from '../jobs/store.ts'
import { getSite } from '../sites/service.ts'
import { findSite, latestSnapshot } from '../sites/store.ts'
import { needRoom } from './room.ts'
import { copyExists } from './service.ts'
import { stageUpload } from './staging.ts'
import { UPLOAD_LIMITS, type UploadLimits, Uploads } from './uploads.ts'

/** Times that an upload lies on a disk at most: as it came, as it waits to be read, and as it is kept. */
const TIMES = 3

/** Uploads go to a folder of their own on disk, under names of ours, and from there to the database; they are gone from it when the request ends. */
export function intakeRoutes(sequelize: Sequelize, config: Config, limits: UploadLimits = UPLOAD_LIMITS): Router {
  const router = Router()
  const uploads = new Uploads(limits)
  router.post('/sites/:id/copy', async (req, res) => {
    const siteId = idOf(req.params.id)
    const { names } = copyQuerySchema.parse(req.query)
    await refuseUnwanted(siteId)
    await needRoom(Number(req.headers['content-length'] ?? 0) * TIMES, config.databaseDir)
    await withFolder(async (folder) => {
      const { kind, files } = await uploads.receive(siteId, req, res, folder)
      await stageUpload(sequelize, siteId, { kind, names }, files)
    })
    answer(res, siteSchema, await getSite(siteId), 202)
  })
  return router
}

/** Refuses what would be refused in the end before its bytes come in. */
async function refuseUnwanted(siteId: string): Promise<void> {
  if (!(await findSite(siteId))) throw new Refusal('not-found', 'There is no such site')
  if (await latestSnapshot(siteId)) throw copyExists()
  await refuseBusy(siteId)
}
