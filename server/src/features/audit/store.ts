import type { SkipReason } from '@undo-ink/contracts'
import { type FileAbout, type FileChoice, READING_VERSION } from '@undo-ink/core'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { AuditRow, BlobRow, FileRow, OccurrencesRow, ReadingRow } from '../../db/models.ts'
import { bufferOf } from './buffer.ts'
import type { Assembled } from './worker.ts'

/** Whether a snapshot has an audit by today's readers. */
export async function isAudited(snapshotId: string): Promise<boolean> {
  return (await AuditRow.count({ where: { snapshotId, readingVersion: READING_VERSION } })) > 0
}

/** Snapshots whose audit older readers made. */
export async function outdatedSnapshots(sequelize: Sequelize): Promise<{ siteId: string }[]> {
  return sequelize.query<{ siteId: string }>(
    `SELECT DISTINCT site_id AS "siteId" FROM snapshots LEFT JOIN audits ON snapshot_id = snapshots.id
     WHERE reading_version IS DISTINCT FROM $1`,
    { bind: [READING_VERSION], type: QueryTypes.SELECT },
  )
}

/** What is sent of an audit, each by itself. */
export type AuditPart = 'ledger' | 'apart' | 'words'

/** One part of an audit by today's readers; null: there is none. */
export async function findAuditPart(snapshotId: string, part: AuditPart): Promise<Buffer | null> {
  const where = { snapshotId, readingVersion: READING_VERSION }
  return (await AuditRow.findOne({ where, attributes: [part] }))?.[part] ?? null
}

export async function loadBytes(sha256: string, transaction?: Transaction): Promise<Buffer> {
  return (await BlobRow.findByPk(sha256, { rejectOnEmpty: true, transaction: transaction ?? null })).bytes
}

export function findFile(id: string): Promise<FileRow | null> {
  return FileRow.findByPk(id)
}

/** The places of one file as they are stored; null: it holds none. */
export async function findOccurrences(fileId: string, transaction?: Transaction): Promise<Buffer | null> {
  return (await OccurrencesRow.findByPk(fileId, { transaction: transaction ?? null }))?.body ?? null
}

/** What was read from a file. */
export type ReadingOf = Pick<ReadingRow, 'about' | 'places' | 'body'>

/** What today's readers read from the same bytes at the same path under the same choice. */
export function findReading(sha256: string, path: string, choice: FileChoice | null): Promise<ReadingOf | null> {
  return ReadingRow.findOne({ where: { sha256, path, choice: choice ?? '', readingVersion: READING_VERSION } })
}

export async function saveReading({
  choice,
  ...reading
}: ReadingOf & { sha256: string; path: string; choice: FileChoice | null }): Promise<ReadingOf> {
  await ReadingRow.upsert({ ...reading, choice: choice ?? '', readingVersion: READING_VERSION })
  return reading
}

/** What is told of a file beside its bytes: what it is for its site. @param isKept whether its bytes are */
export function standingOf({ syntax, encoding, skipped, thirdParty }: FileAbout, unkept: SkipReason | null) {
  const why = unkept ?? skipped
  return { syntax, encoding: why === null ? encoding : null, skipped: why, thirdParty }
}

/** Stores an audit as a whole, instead of the one before. */
export async function saveAudit(
  sequelize: Sequelize,
  snapshotId: string,
  { files, ledger, apart, words, totals }: Assembled & { readonly words: Uint8Array },
  transaction: Transaction,
): Promise<void> {
  await AuditRow.destroy({ where: { snapshotId }, transaction })
  await AuditRow.create(
    {
      snapshotId,
      ...totals,
      readingVersion: READING_VERSION,
      ledger: bufferOf(ledger),
      apart: bufferOf(apart),
      words: bufferOf(words),
    },
    { transaction },
  )
  await sequelize.query(
    `INSERT INTO occurrences (file_id, snapshot_id, places, body)
     SELECT files.id, $1, given.places, given.body FROM unnest($2::text[], $3::int[], $4::bytea[]) AS given (path, places, body)
     JOIN files ON files.snapshot_id = $1 AND files.path = given.path`,
    {
      bind: [
        snapshotId,
        files.map(({ path }) => path),
        files.map(({ places }) => places),
        files.map(({ body }) => bufferOf(body)),
      ],
      transaction,
      type: QueryTypes.INSERT,
    },
  )
}
