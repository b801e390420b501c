import { createReadStream } from 'node:fs'
import { open } from 'node:fs/promises'
import { join } from 'node:path'
import { LIMITS } from '@undo-ink/contracts'
import { groupBy, isLitter } from '@undo-ink/core'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { type JobPayload, type JobRow, UploadChunkRow, UploadFileRow } from '../../db/models.ts'
import { addJob } from '../jobs/store.ts'
import { folderPath } from './path.ts'
import type { OpenUpload, ReceivedFile } from './received.ts'
import { openZip } from './zip.ts'

/** Bytes of one piece of an upload. */
const PIECE = 1024 * 1024

/** Pieces that are written together at most. */
const MOST_PIECES = 200

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
  payload: Exclude<JobPayload, { kind: 'read' }>,
  files: readonly UploadedFile[],
): Promise<JobRow> {
  return sequelize.transaction(async (transaction) => {
    const job = await addJob(sequelize, { siteId, kind: 'intake', payload }, transaction)
    const rows = files.map(({ name, size }, position) => ({ jobId: job.id, position, name, size }))
    await UploadFileRow.bulkCreate(rows, { transaction })
    const batch = new PieceBatch(sequelize, job.id, transaction)
    for (const [position, { size, at }] of files.entries()) {
      // A file of a folder that is too large to be kept need not be stored to be listed.
      if (payload.kind === 'files' && size > LIMITS.fileBytes) continue
      let seq = 0
      for await (const bytes of createReadStream(at, { highWaterMark: PIECE }))
        await batch.add(position, seq++, bytes as Buffer)
    }
    await batch.flush()
    return job
  })
}

/** Writes the pieces of many small files together. */
class PieceBatch {
  private readonly sequelize: Sequelize
  private readonly jobId: string
  private readonly transaction: Transaction
  private pieces: { position: number; seq: number; bytes: Buffer }[] = []
  private size = 0

  constructor(sequelize: Sequelize, jobId: string, transaction: Transaction) {
    this.sequelize = sequelize
    this.jobId = jobId
    this.transaction = transaction
  }

  async add(position: number, seq: number, bytes: Buffer): Promise<void> {
    this.pieces.push({ position, seq, bytes })
    this.size += bytes.length
    if (this.size >= PIECE || this.pieces.length >= MOST_PIECES) await this.flush()
  }

  async flush(): Promise<void> {
    const pieces = this.pieces
    if (pieces.length === 0) return
    this.pieces = []
    this.size = 0
    await this.sequelize.query(
      'INSERT INTO upload_chunks (job_id, position, seq, bytes) SELECT $1, * FROM unnest($2::int[], $3::int[], $4::bytea[])',
      {
        bind: [
          this.jobId,
          pieces.map(({ position }) => position),
          pieces.map(({ seq }) => seq),
          pieces.map(({ bytes }) => bytes),
        ],
        transaction: this.transaction,
        type: QueryTypes.INSERT,
      },
    )
  }
}

/** The files of a staged upload. `folder`: where an archive may be put to be unpacked. `close` them in the end. */
export async function openUpload({ id: jobId, payload }: JobRow, folder: string): Promise<OpenUpload> {
  const rows = await UploadFileRow.findAll({ where: { jobId }, order: [['position', 'ASC']] })
  if (payload.kind !== 'zip') {
    const kept = rows.filter(({ name }) => !isLitter(name))
    const rowOf = new Map(kept.map((row) => [fromFolder(row), row]))
    return {
      files: [...rowOf.keys()],
      encoding: null,
      bytesOf: (files) =>
        piecesOf(
          jobId,
          files.map((file) => rowOf.get(file) as UploadFileRow),
        ),
      close: () => {},
    }
  }
  const path = join(folder, 'upload.zip')
  const file = await open(path, 'w')
  for await (const bytes of chunksOf(jobId, 0)) await file.write(bytes)
  await file.close()
  return openZip(path, Number(rows[0]?.size ?? 0), payload.names)
}

function fromFolder({ name, size }: UploadFileRow): ReceivedFile {
  return { ...folderPath(name), rawName: null, size: Number(size) }
}

/** The bytes of some files of one upload, put together from their pieces; null: it is over the limit. */
async function piecesOf(jobId: string, files: readonly UploadFileRow[]): Promise<(Buffer | null)[]> {
  const kept = files.filter(({ size }) => Number(size) <= LIMITS.fileBytes)
  const where = { jobId, position: kept.map(({ position }) => position) }
  const pieces = groupBy(await UploadChunkRow.findAll({ where, order: [['seq', 'ASC']] }), ({ position }) => position)
  return files.map((file) =>
    kept.includes(file) ? Buffer.concat((pieces.get(file.position) ?? []).map(({ bytes }) => bytes)) : null,
  )
}

/** The pieces of an archive one by one: it may be larger than memory should hold. */
async function* chunksOf(jobId: string, position: number): AsyncGenerator<Buffer> {
  for (let seq = 0; ; seq++) {
    const row = await UploadChunkRow.findOne({ where: { jobId, position, seq } })
    if (!row) return
    yield row.bytes
  }
}
