import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { choiceSchema, LIMITS, siteSchema } from '@undo-ink/contracts'
import { type Request, type RequestHandler, Router } from 'express'
import multer from 'multer'
import type { Sequelize } from 'sequelize'
import { answer, idOf } from '../../http/answer.ts'
import { Refusal } from '../../http/problem.ts'
import type { Auditor } from '../audit/service.ts'
import { chooseFiles } from '../audit/store.ts'
import { getSite } from '../sites/service.ts'
import { isLitter, sitePath } from './path.ts'
import type { ReceivedFile } from './received.ts'
import { takeIn } from './service.ts'
import { openZip } from './zip.ts'

/** Uploads go to a folder of their own on disk, under names of ours, and are gone when the request ends. */
export function intakeRoutes(sequelize: Sequelize, auditor: Auditor): Router {
  const router = Router()
  router.post('/sites/:id/copy', async (req, res) => {
    const siteId = idOf(req.params.id)
    await getSite(siteId)
    const folder = await mkdtemp(join(tmpdir(), 'undo-ink-intake-'))
    try {
      const uploads = await receive(req, res, folder)
      const snapshotId = await withFiles(uploads, (files) => takeIn(sequelize, siteId, files))
      await auditor.audit(snapshotId)
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
    answer(res, siteSchema, await getSite(siteId), 201)
  })
  router.put('/sites/:id/choice', async (req, res) => {
    const siteId = idOf(req.params.id)
    const choice = choiceSchema.parse(req.body)
    const snapshotId = (await getSite(siteId)).snapshot?.id
    const chosen = snapshotId === undefined ? 0 : await chooseFiles(sequelize, snapshotId, choice)
    if (snapshotId === undefined || chosen !== choice.files.length)
      throw new Refusal('not-found', 'Some of these files are not in the copy')
    await auditor.audit(snapshotId)
    answer(res, siteSchema, await getSite(siteId))
  })
  return router
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

async function withFiles<T>(
  uploads: readonly Express.Multer.File[],
  use: (files: ReceivedFile[]) => Promise<T>,
): Promise<T> {
  const zip = uploads.find(({ fieldname }) => fieldname === 'zip')
  if (!zip) return use(uploads.filter(({ originalname }) => !isLitter(originalname)).map(fromFolder))
  const { files, close } = await openZip(zip.path, zip.size)
  try {
    return await use(files)
  } finally {
    close()
  }
}

function fromFolder(upload: Express.Multer.File): ReceivedFile {
  return {
    path: sitePath(upload.originalname),
    size: upload.size,
    bytes: async () => (upload.size > LIMITS.fileBytes ? null : readFile(upload.path)),
  }
}
