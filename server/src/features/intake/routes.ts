import { LIMITS, siteSchema } from '@undo-ink/contracts'
import { type Request, type RequestHandler, Router } from 'express'
import multer from 'multer'
import type { Sequelize } from 'sequelize'
import { withFolder } from '../../folders.ts'
import { answer, idOf } from '../../http/answer.ts'
import { Refusal } from '../../http/problem.ts'
import { getSite } from '../sites/service.ts'
import { stageUpload, type UploadedFile } from './staging.ts'

/** Uploads go to a folder of their own on disk, under names of ours, and from there to the database; they are gone from it when the request ends. */
export function intakeRoutes(sequelize: Sequelize): Router {
  const router = Router()
  router.post('/sites/:id/copy', async (req, res) => {
    const siteId = idOf(req.params.id)
    await getSite(siteId)
    await withFolder(async (folder) => {
      const uploads = await receive(req, res, folder)
      const zip = uploads.find(({ fieldname }) => fieldname === 'zip')
      await stageUpload(sequelize, siteId, zip ? 'zip' : 'files', (zip ? [zip] : uploads).map(uploadedFile))
    })
    answer(res, siteSchema, await getSite(siteId), 202)
  })
  return router
}

function uploadedFile({ originalname, size, path }: Express.Multer.File): UploadedFile {
  return { name: originalname, size, at: path }
}

/** Field `zip`: one archive. Field `files`: the files of a folder, each named by its path in it. */
async function receive(
  req: Request,
  res: Parameters<RequestHandler>[1],
  folder: string,
): Promise<Express.Multer.File[]> {
  const upload = multer({
    storage: multer.diskStorage({ destination: folder }),
    preservePath: true,
    defParamCharset: 'utf8',
    limits: { files: LIMITS.files + 1, fileSize: LIMITS.totalBytes, fields: 0, parts: LIMITS.files + 2 },
  }).fields([{ name: 'zip', maxCount: 1 }, { name: 'files' }])
  await new Promise<void>((resolve, reject) => {
    upload(req, res, (error: unknown) => (error ? reject(uploadRefusal(error)) : resolve()))
  })
  return Object.values((req.files ?? {}) as Record<string, Express.Multer.File[]>).flat()
}

function uploadRefusal(error: unknown): Error {
  if (!(error instanceof multer.MulterError))
    return new Refusal('bad-request', 'The upload broke off; nothing was taken in')
  switch (error.code) {
    case 'LIMIT_FILE_SIZE':
      return new Refusal(
        'too-large',
        `A copy may hold ${LIMITS.totalBytes / 1024 / 1024} MB in all; nothing was taken in`,
      )
    case 'LIMIT_FILE_COUNT':
    case 'LIMIT_PART_COUNT':
      return new Refusal(
        'too-many-files',
        `A copy may hold ${LIMITS.files.toLocaleString('en')} files; nothing was taken in`,
      )
    default:
      return new Refusal('bad-request', 'The upload is not understood; nothing was taken in', error.message)
  }
}
