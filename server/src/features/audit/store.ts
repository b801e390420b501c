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

/** What is asked for of an audit, each by itself. */
export type AuditPart = 'ledger' | 'apart' | 'pages' | 'words'

/** One part of an audit by today's readers; null: there is none. */
export async function findAuditPart(snapshotId: string, part: AuditPart): Promise<Buffer | null> {
  const where = { snapshotId, readingVersion: READING_VERSION }
  return (await AuditRow.findOne({ where, attributes: [part] }))?.[part] ?? null
}

export async function loadBytes(sha256: string, transaction?: Transaction): Promise<Buffer> {
  return (await BlobRow.findByPk(sha256, { rejectOnEmpty: true, transaction: transaction ?? null })).bytes
}

/** The bytes of several, by their hash. */
export async function loadAllBytes(sha256s: readonly string[]): Promise<Map<string, Buffer>> {
  const rows = await BlobRow.findAll({ where: { sha256: [...sha256s] } })
  return new Map(rows.map(({ sha256, bytes }) => [sha256, bytes]))
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

/** Of which bytes at which path something is read, and under which choice. */
export interface ReadingKey {
  readonly sha256: string
  readonly path: string
  readonly choice: FileChoice | null
}

/** What today's readers read from the same bytes at the same paths under the same choices, by path. @param keys of one copy */
export async function findReadings(keys: readonly ReadingKey[]): Promise<Map<string, ReadingOf>> {
  const where = { sha256: keys.map(({ sha256 }) => sha256), path: keys.map(({ path }) => path) }
  const rows = await ReadingRow.findAll({ where: { ...where, readingVersion: READING_VERSION } })
  const asked = new Map(keys.map((key) => [key.path, key]))
  const isAsked = ({ sha256, path, choice }: ReadingRow) => {
    const key = asked.get(path)
    return key?.sha256 === sha256 && (key.choice ?? '') === choice
  }
  return new Map(rows.filter(isAsked).map((row) => [row.path, row]))
}

const READING_COLUMNS = ['sha256', 'path', 'choice', 'reading_version', 'about', 'places', 'body'] as const

export async function saveReadings(sequelize: Sequelize, readings: readonly (ReadingKey & ReadingOf)[]): Promise<void> {
  if (readings.length === 0) return
  // In one order, as `keepBlobs` does.
  const rows = readings
    .toSorted((a, b) => (`${a.sha256} ${a.path}` < `${b.sha256} ${b.path}` ? -1 : 1))
    .map(({ sha256, path, choice, about, places, body }) => [
      sha256,
      path,
      choice ?? '',
      READING_VERSION,
      JSON.stringify(about),
      places,
      body,
    ])
  const width = READING_COLUMNS.length
  const values = rows.map((_, i) => `(${READING_COLUMNS.map((_, j) => `$${i * width + j + 1}`)})`)
  const renewed = READING_COLUMNS.slice(3).map((column) => `${column} = EXCLUDED.${column}`)
  await sequelize.query(
    `INSERT INTO readings (${READING_COLUMNS}) VALUES ${values} ON CONFLICT (sha256, path, choice) DO UPDATE SET ${renewed}`,
    { bind: rows.flat(), type: QueryTypes.INSERT },
  )
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
  { files, ledger, apart, pages, words, totals }: Assembled & { readonly words: Uint8Array },
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
      pages: bufferOf(pages),
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
