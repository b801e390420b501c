import { createHash, randomUUID } from 'node:crypto'
import { LIMITS, type SkipReason } from '@undo-ink/contracts'
import { copyText, decodeName, type FileAbout, type NameEncoding, TOLERANCES } from '@undo-ink/core'
import type { Sequelize, Transaction } from 'sequelize'
import { FileRow, PaletteRow, PlanRow, SiteRow, SnapshotRow } from '../../db/models.ts'
import { withFolder } from '../../folders.ts'
import { Refusal } from '../../http/problem.ts'
import { type KeptFile, type Reader, type ReadFile, someAtATime, tell } from '../audit/reader.ts'
import { loadBytes, saveAudit, standingOf } from '../audit/store.ts'
import type { Assembled } from '../audit/worker.ts'
import type { Progress } from '../jobs/progress.ts'
import type { JobWork } from '../jobs/queue.ts'
import { versionInUse } from '../palettes/service.ts'
import { addVisitorNames } from '../visitor/store.ts'
import { dropUnused, keepBlobs } from './blobs.ts'
import { commonRoot } from './path.ts'
import type { OpenUpload, ReceivedFile } from './received.ts'
import { needRoom } from './room.ts'
import { openUpload } from './staging.ts'

/** The work of a job that takes a copy in and reads it: all of it or, on any refusal, nothing. */
export function intakeWork(sequelize: Sequelize, reader: Reader, databaseDir: string | undefined): JobWork {
  return async (job, progress) => {
    const kept = new Set<string>()
    try {
      await withFolder(async (folder) => {
        const upload = await openUpload(job, folder)
        const { files, encoding, close } = upload
        try {
          checkFiles(files)
          await needRoom(
            files.reduce((sum, { size }) => sum + size, 0),
            databaseDir,
          )
          const taken = await takeFiles(sequelize, reader, upload, kept, progress)
          await progress.flush()
          const assembled = await reader.assemble(taken, loadBytes, progress)
          await sequelize.transaction(async (transaction) => {
            const snapshotId = await makeSnapshot(job.siteId, taken, encoding, assembled, transaction)
            if (snapshotId !== null) await saveAudit(sequelize, snapshotId, assembled, transaction)
            await progress.end(transaction)
          })
        } finally {
          close()
        }
      })
    } catch (error) {
      await dropUnused(sequelize, [...kept])
      throw error
    }
  }
}

interface TakenFile extends KeptFile {
  readonly size: number
  readonly rawName: Buffer | null
  /** Why its bytes are not kept; null: they are. */
  readonly unkept: SkipReason | null
}

/** Keeps and reads each file. @param kept gets the hash of each file that is kept */
async function takeFiles(
  sequelize: Sequelize,
  reader: Reader,
  { files, encoding, bytesOf }: OpenUpload,
  kept: Set<string>,
  progress: Progress,
): Promise<ReadFile<TakenFile>[]> {
  const root = commonRoot(files.map(({ path }) => path))
  const withoutRoot = encoding && rootRemover(root, encoding)
  let total = 0
  await progress.begin(files.length)
  return someAtATime(files, async (some) => {
    const safe = some.filter(({ bad }) => bad === null)
    const bytes = new Map((await bytesOf(safe)).map((each, i) => [safe[i], each]))
    const own = some.map((received): TakenFile & { readonly bytes: Buffer | null } => {
      const path = received.path.slice(root.length)
      // A name that is not kept goes nowhere, whatever its bytes are.
      const rawName = (received.bad === null && received.rawName && withoutRoot?.(received.rawName)) || null
      const known = bytes.get(received) ?? null
      if (!known) {
        const unkept = received.bad ?? ('too-large' as const)
        return { path, rawName, size: received.size, sha256: null, choice: null, unkept, bytes: null }
      }
      total += known.length
      if (total > LIMITS.totalBytes)
        throw new Refusal(
          'unpacks-too-large',
          `A copy may hold ${LIMITS.totalBytes / 1024 / 1024} MB in all; nothing was taken in`,
        )
      const sha256 = createHash('sha256').update(known).digest('hex')
      return { path, rawName, size: known.length, sha256, choice: null, unkept: null, bytes: known }
    })
    const blobs = new Map(own.flatMap(({ sha256, bytes }) => (sha256 !== null && bytes ? [[sha256, bytes]] : [])))
    for (const sha256 of blobs.keys()) kept.add(sha256)
    await keepBlobs(sequelize, blobs)
    const taken = own.map(({ bytes, ...file }): TakenFile => file)
    return reader.read(
      taken,
      async () => blobs,
      progress,
      ({ path }, reading) => tell(progress, path, reading),
    )
  })
}

/** Bytes of one UTF-16 unit of a name at most, in any of the encodings. */
const MOST_BYTES = 4

/** Takes the folder that holds everything off names as they came: it is looked for once, since almost all begin with the same bytes. */
function rootRemover(root: string, encoding: NameEncoding): (name: Buffer) => Buffer {
  let known: Buffer | null = null
  const lengthIn = (name: Buffer) => {
    const most = Math.min(name.length, MOST_BYTES * root.length)
    for (let length = root.length; length <= most; length++)
      if (decodeName(name.subarray(0, length), encoding).replaceAll('\\', '/') === root) return length
    return 0
  }
  return (name) => {
    if (root === '') return name
    if (!known || !name.subarray(0, known.length).equals(known)) known = name.subarray(0, lengthIn(name))
    return name.subarray(known.length)
  }
}

/** Makes the snapshot with its plan and gives its id; null: the site has this very copy already. */
async function makeSnapshot(
  siteId: string,
  taken: readonly ReadFile<TakenFile>[],
  nameEncoding: NameEncoding | null,
  { abouts }: Pick<Assembled, 'abouts'>,
  transaction: Transaction,
): Promise<string | null> {
  // The lock makes two intakes of one site wait for each other.
  const site = await SiteRow.findByPk(siteId, { transaction, lock: true, rejectOnEmpty: true })
  const text = copyText(taken.map(({ file }) => file))
  const digest = createHash('sha256').update(text).digest('hex')
  const existing = await SnapshotRow.findOne({ where: { siteId }, transaction })
  if (existing?.digest === digest) return null
  if (existing) throw copyExists()
  const snapshot = await SnapshotRow.create(
    { id: randomUUID(), siteId, receivedAt: new Date(), digest, nameEncoding },
    { transaction },
  )
  await FileRow.bulkCreate(
    taken.map(({ file: { unkept, ...file } }, i) => ({
      ...{ id: randomUUID(), snapshotId: snapshot.id, ...file },
      ...standingOf(abouts[i] as FileAbout, unkept),
    })),
    { transaction },
  )
  const planId = await startPlan(snapshot.id, site.clientId, transaction)
  await addVisitorNames(snapshot.id, planId, transaction)
  return snapshot.id
}

export function copyExists(): Refusal {
  return new Refusal('copy-exists', 'This site has its copy already', 'Make another site for another copy.')
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

/** A new plan begins at the newest version of the client's palette that is in use, and the middle tolerance. */
async function startPlan(snapshotId: string, clientId: string, transaction: Transaction): Promise<string> {
  const palette = await PaletteRow.findOne({ where: { clientId }, transaction, rejectOnEmpty: true })
  const plan = await PlanRow.create(
    {
      id: randomUUID(),
      snapshotId,
      paletteId: palette.id,
      startTolerance: TOLERANCES[1]?.value ?? 2,
      startPaletteVersion: await versionInUse(palette.id, transaction),
    },
    { transaction },
  )
  return plan.id
}
