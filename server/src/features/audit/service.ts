import { gunzipSync } from 'node:zlib'
import type { Choice, FileText } from '@undo-ink/contracts'
import { decode, type FileAbout, type LedgerPlace, placeAt, unpackLedger } from '@undo-ink/core'
import type { Sequelize, Transaction } from 'sequelize'
import { FileRow, SnapshotRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import type { JobWork } from '../jobs/queue.ts'
import { addJob, openJob } from '../jobs/store.ts'
import { latestSnapshot, listFiles } from '../sites/store.ts'
import { type KeptFile, type Reader, someAtATime, tell } from './reader.ts'
import {
  type AuditPart,
  findAuditPart,
  findFile,
  findOccurrences,
  isAudited,
  loadAllBytes,
  loadBytes,
  outdatedSnapshots,
  saveAudit,
  standingOf,
} from './store.ts'

/** Has the copy of a site read, with a choice for some of its files: what was read before of the others is kept. */
export async function requestAudit(sequelize: Sequelize, siteId: string, choice: Choice | null): Promise<void> {
  const latest = await latestSnapshot(siteId)
  const files = choice?.files ?? []
  const found = latest ? await FileRow.count({ where: { snapshotId: latest.snapshot.id, id: [...files] } }) : 0
  if (!latest || found !== new Set(files).size)
    throw new Refusal('not-found', 'Some of these files are not in the copy')
  await sequelize.transaction((transaction) =>
    addJob(sequelize, { siteId, kind: 'audit', payload: { kind: 'read', choice } }, transaction),
  )
}

/** Has every copy read again that older readers have read, unless somebody stopped that. */
export async function requestOutdated(sequelize: Sequelize): Promise<void> {
  for (const { siteId } of await outdatedSnapshots(sequelize))
    if (!(await openJob(siteId))) await requestAudit(sequelize, siteId, null).catch(unlessBusy)
}

/** Another server that starts at the same time has asked for it already. */
function unlessBusy(error: unknown): void {
  if (!(error instanceof Refusal && error.code === 'busy')) throw error
}

interface ChosenFile extends KeptFile {
  readonly id: string
  readonly size: number
}

/** The work of a job that reads a copy which is there already. Nothing changes before all of it is done. */
export function auditWork(sequelize: Sequelize, reader: Reader): JobWork {
  return async ({ siteId, payload }, progress) => {
    const latest = await latestSnapshot(siteId)
    if (!latest || payload.kind !== 'read') throw new Error('the job names no copy')
    const snapshotId = latest.snapshot.id
    const rows = await listFiles(snapshotId)
    const chosen = new Set(payload.choice?.files)
    const files = rows.map(
      ({ id, path, size, sha256, choice }): ChosenFile => ({
        ...{ id, path, size: Number(size), sha256 },
        choice: chosen.has(id) ? (payload.choice?.choice ?? null) : choice,
      }),
    )
    await progress.begin(files.length)
    const read = await someAtATime(files, (some) =>
      reader.read(some, loadAllBytes, progress, ({ path }, reading) => tell(progress, path, reading)),
    )
    await progress.flush()
    const assembled = await reader.assemble(read, loadBytes, progress)
    await sequelize.transaction(async (transaction) => {
      await SnapshotRow.findByPk(snapshotId, { transaction, lock: true })
      // Writes only what has changed: of thousands of files mostly a few.
      for (const [i, { file }] of read.entries())
        await rows[i]?.update(
          {
            ...standingOf(assembled.abouts[i] as FileAbout, file.sha256 === null ? (rows[i]?.skipped ?? null) : null),
            choice: file.choice,
          },
          { transaction },
        )
      await saveAudit(sequelize, snapshotId, assembled, transaction)
      await progress.end(transaction)
    })
  }
}

/** Refuses what needs the files to be read before they are. */
export async function requireAudit(snapshotId: string): Promise<void> {
  if (!(await isAudited(snapshotId))) throw notRead()
}

/** One part of an audit, in gzip. */
export async function getAuditPart(snapshotId: string, part: AuditPart): Promise<Buffer> {
  const bytes = await findAuditPart(snapshotId, part)
  if (bytes) return bytes
  throw (await SnapshotRow.findByPk(snapshotId)) ? notRead() : new Refusal('not-found', 'There is no such copy')
}

function notRead(): Refusal {
  return new Refusal('not-read', 'The files of this copy are not read yet')
}

/** The places of one file. */
export async function placesOfFile(fileId: string, transaction?: Transaction): Promise<LedgerPlace[]> {
  const bytes = await findOccurrences(fileId, transaction)
  if (!bytes) return []
  const ledger = unpackLedger(gunzipSync(bytes))
  if (!ledger) throw new Error(`the places of file ${fileId} cannot be read`)
  return Array.from({ length: ledger.length }, (_, index) => placeAt(ledger, index))
}

export async function getFileText(fileId: string): Promise<FileText> {
  const file = await findFile(fileId)
  if (!file?.sha256 || file.skipped !== null) throw new Refusal('not-found', 'There is no such text')
  const source = decode(file.path, await loadBytes(file.sha256))
  if (typeof source === 'string') throw new Refusal('not-found', 'There is no such text')
  return { path: file.path, text: source.text }
}

/** The bytes of an image or a drawing of a copy. */
export async function getImageBytes(fileId: string): Promise<Buffer> {
  const file = await findFile(fileId)
  if (!file?.sha256 || (file.syntax !== 'image' && file.syntax !== 'svg'))
    throw new Refusal('not-found', 'There is no such image')
  return loadBytes(file.sha256)
}
