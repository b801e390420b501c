import { createHash, randomUUID } from 'node:crypto'
import { LIMITS } from '@undo-ink/contracts'
import { classify, syntaxOf, TOLERANCES } from '@undo-ink/core'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { FileRow, PaletteRow, PaletteVersionRow, PlanRow, SiteRow, SnapshotRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { addVisitorNames } from '../visitor/store.ts'
import { commonRoot } from './path.ts'
import type { ReceivedFile } from './received.ts'

/** Takes a copy in, exactly as received: all of it or, on any refusal, nothing. Gives the id of the snapshot. */
export async function takeIn(sequelize: Sequelize, siteId: string, files: readonly ReceivedFile[]): Promise<string> {
  checkFiles(files)
  const root = commonRoot(files.map(({ path }) => path))
  return sequelize.transaction(async (transaction) => {
    // The lock makes two intakes of one site wait for each other.
    const site = await SiteRow.findByPk(siteId, { transaction, lock: true })
    if (!site) throw new Refusal('not-found', 'There is no such site')
    if (await SnapshotRow.findOne({ where: { siteId }, transaction }))
      throw new Refusal('copy-exists', 'This site has its copy already', 'Make another site for another copy.')
    const snapshot = await SnapshotRow.create({ id: randomUUID(), siteId, receivedAt: new Date() }, { transaction })
    let total = 0
    for (const file of files) {
      const bytes = await file.bytes()
      total += bytes?.length ?? 0
      if (total > LIMITS.totalBytes)
        throw new Refusal(
          'unpacks-too-large',
          `A copy may hold ${LIMITS.totalBytes / 1024 / 1024} MB in all; nothing was taken in`,
        )
      const path = file.path.slice(root.length)
      await FileRow.create(
        {
          id: randomUUID(),
          snapshotId: snapshot.id,
          path,
          size: bytes?.length ?? file.size,
          sha256: bytes && (await keepBlob(sequelize, bytes, transaction)),
          ...aboutFile(path, bytes),
        },
        { transaction },
      )
    }
    const planId = await startPlan(snapshot.id, site.clientId, transaction)
    await addVisitorNames(snapshot.id, planId, transaction)
    return snapshot.id
  })
}

/** What is known of a file before its audit; null bytes: too large to keep. */
function aboutFile(
  path: string,
  bytes: Buffer | null,
): Pick<FileRow, 'syntax' | 'encoding' | 'skipped' | 'thirdParty'> {
  if (!bytes) return { syntax: syntaxOf(path), encoding: null, skipped: 'too-large', thirdParty: null }
  const { syntax, encoding, skipped, thirdParty } = classify(path, bytes, LIMITS.textBytes)
  return { syntax, encoding, skipped, thirdParty }
}

function checkFiles(files: readonly ReceivedFile[]): void {
  if (files.length === 0)
    throw new Refusal('no-files', 'There are no files in this', 'Drop the folder that holds the site, or a ZIP of it.')
  if (files.length > LIMITS.files)
    throw new Refusal('too-many-files', `A copy may hold ${LIMITS.files.toLocaleString('en')} files`)
  const seen = new Set<string>()
  for (const { path } of files) {
    if (seen.has(path)) throw new Refusal('same-path-twice', 'Two files have the same name; nothing was taken in', path)
    seen.add(path)
  }
}

async function keepBlob(sequelize: Sequelize, bytes: Buffer, transaction: Transaction): Promise<string> {
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  await sequelize.query('INSERT INTO blobs (sha256, bytes) VALUES ($1, $2) ON CONFLICT DO NOTHING', {
    bind: [sha256, bytes],
    transaction,
    type: QueryTypes.INSERT,
  })
  return sha256
}

/** A new plan begins at the newest version of the client's palette and the middle tolerance. */
async function startPlan(snapshotId: string, clientId: string, transaction: Transaction): Promise<string> {
  const palette = await PaletteRow.findOne({ where: { clientId }, transaction, rejectOnEmpty: true })
  const version = await PaletteVersionRow.max<number, PaletteVersionRow>('version', {
    where: { paletteId: palette.id },
    transaction,
  })
  const plan = await PlanRow.create(
    {
      id: randomUUID(),
      snapshotId,
      paletteId: palette.id,
      startTolerance: TOLERANCES[1]?.value ?? 2,
      startPaletteVersion: version,
    },
    { transaction },
  )
  return plan.id
}
