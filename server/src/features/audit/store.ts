import type { Choice } from '@undo-ink/contracts'
import { READING_VERSION } from '@undo-ink/core'
import type { Sequelize, Transaction } from 'sequelize'
import { AuditRow, BlobRow, FileRow, ReadingRow, SnapshotRow, type Tally } from '../../db/models.ts'
import type { ReadFile } from './worker.ts'

export async function findTallies(snapshotId: string): Promise<readonly Tally[] | null> {
  return (await AuditRow.findByPk(snapshotId))?.tallies ?? null
}

/** Whether a snapshot has an audit by today's readers. */
export async function isAudited(snapshotId: string, transaction?: Transaction): Promise<boolean> {
  const where = { snapshotId, readingVersion: READING_VERSION }
  return (await AuditRow.count({ where, transaction: transaction ?? null })) > 0
}

export async function loadBytes(sha256: string): Promise<Buffer> {
  return (await BlobRow.findByPk(sha256, { rejectOnEmpty: true })).bytes
}

export function findReadings(snapshotId: string): Promise<ReadingRow[]> {
  return ReadingRow.findAll({ where: { snapshotId } })
}

export function findReading(fileId: string): Promise<ReadingRow | null> {
  return ReadingRow.findByPk(fileId)
}

export function findFile(id: string): Promise<FileRow | null> {
  return FileRow.findByPk(id)
}

/** What was made of one file. */
export interface AuditedFile extends ReadFile {
  readonly fileId: string
}

/** Stores an audit as a whole, instead of one by older readers. Two processes that audited one snapshot got the same: the second changes nothing. */
export async function saveAudit(
  sequelize: Sequelize,
  snapshotId: string,
  tallies: readonly Tally[],
  files: readonly AuditedFile[],
): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await SnapshotRow.findByPk(snapshotId, { transaction, lock: true })
    if (await isAudited(snapshotId, transaction)) return
    await ReadingRow.destroy({ where: { snapshotId }, transaction })
    await AuditRow.upsert({ snapshotId, tallies, readingVersion: READING_VERSION }, { transaction })
    for (const { fileId, syntax, encoding, skipped, thirdParty } of files)
      await FileRow.update({ syntax, encoding, skipped, thirdParty }, { where: { id: fileId }, transaction })
    await ReadingRow.bulkCreate(
      files.flatMap(({ fileId, reading }) => (reading ? [{ fileId, snapshotId, body: reading }] : [])),
      { transaction },
    )
  })
}

/** Records what is to become of some files of a snapshot, whose audit is then to be made anew; how many files of it were named. */
export async function chooseFiles(
  sequelize: Sequelize,
  snapshotId: string,
  { files, choice }: Choice,
): Promise<number> {
  return sequelize.transaction(async (transaction) => {
    await SnapshotRow.findByPk(snapshotId, { transaction, lock: true })
    const [count] = await FileRow.update({ choice }, { where: { snapshotId, id: [...files] }, transaction })
    if (count > 0) {
      await ReadingRow.destroy({ where: { snapshotId }, transaction })
      await AuditRow.destroy({ where: { snapshotId }, transaction })
    }
    return count
  })
}
