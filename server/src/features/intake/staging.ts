import { createReadStream } from 'node:fs'
import { open } from 'node:fs/promises'
import { join } from 'node:path'
import { LIMITS } from '@undo-ink/contracts'
import type { Sequelize } from 'sequelize'
import { type JobPayload, type JobRow, UploadChunkRow, UploadFileRow } from '../../db/models.ts'
import { addJob } from '../jobs/store.ts'
import { isLitter, sitePath } from './path.ts'
import type { ReceivedFile } from './received.ts'
import { openZip } from './zip.ts'

/** Bytes of one piece of an upload. */
const PIECE = 1024 * 1024

/** A file that has come to this machine: a ZIP, or one of a folder under its path in it. */
export interface UploadedFile {
  readonly name: string
  readonly size: number
  /** Where it lies. */
  readonly at: string
}

/** Keeps an upload in the database, where whichever process runs the job finds it, and hands the job to the queue. */
export function stageUpload(
  sequelize: Sequelize,
  siteId: string,
  kind: Exclude<JobPayload['kind'], 'read'>,
  files: readonly UploadedFile[],
): Promise<JobRow> {
  return sequelize.transaction(async (transaction) => {
    const job = await addJob(sequelize, { siteId, kind: 'intake', payload: { kind } }, transaction)
    for (const [position, { name, size, at }] of files.entries()) {
      const key = { jobId: job.id, position }
      await UploadFileRow.create({ ...key, name, size }, { transaction })
      // A file of a folder that is too large to be kept need not be stored to be listed.
      if (kind === 'files' && size > LIMITS.fileBytes) continue
      let seq = 0
      for await (const bytes of createReadStream(at, { highWaterMark: PIECE }))
        await UploadChunkRow.create({ ...key, seq: seq++, bytes: bytes as Buffer }, { transaction })
    }
    return job
  })
}

/** The files of a staged upload. `folder`: where an archive may be put to be unpacked. `close` them in the end. */
export async function openUpload(
  { id: jobId, payload }: JobRow,
  folder: string,
): Promise<{ files: ReceivedFile[]; close(): void }> {
  const rows = await UploadFileRow.findAll({ where: { jobId }, order: [['position', 'ASC']] })
  if (payload.kind !== 'zip') {
    const files = rows.filter(({ name }) => !isLitter(name)).map((row) => fromFolder(row))
    return { files, close: () => {} }
  }
  const path = join(folder, 'upload.zip')
  const file = await open(path, 'w')
  for await (const bytes of chunksOf(jobId, 0)) await file.write(bytes)
  await file.close()
  return openZip(path, Number(rows[0]?.size ?? 0))
}

function fromFolder({ jobId, position, name, size }: UploadFileRow): ReceivedFile {
  return {
    path: sitePath(name),
    size: Number(size),
    bytes: async () =>
      Number(size) > LIMITS.fileBytes ? null : Buffer.concat(await toArray(chunksOf(jobId, position))),
  }
}

async function* chunksOf(jobId: string, position: number): AsyncGenerator<Buffer> {
  for (let seq = 0; ; seq++) {
    const row = await UploadChunkRow.findOne({ where: { jobId, position, seq } })
    if (!row) return
    yield row.bytes
  }
}

async function toArray<T>(items: AsyncIterable<T>): Promise<T[]> {
  const all: T[] = []
  for await (const item of items) all.push(item)
  return all
}
