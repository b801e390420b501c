import { randomUUID } from 'node:crypto'
import type { Job, Problem } from '@undo-ink/contracts'
import { Op, QueryTypes, type Sequelize, type Transaction, UniqueConstraintError } from 'sequelize'
import { JobFileRow, JobRow, UploadFileRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'

/** Times that a job is begun before it is given up: a file that kills its process would kill it for ever. */
const MOST_ATTEMPTS = 3

/** Records a job and hands it to the queue; both or, when the transaction is rolled back, neither. */
export async function addJob(
  sequelize: Sequelize,
  { siteId, kind, payload }: Pick<JobRow, 'siteId' | 'kind' | 'payload'>,
  transaction: Transaction,
): Promise<JobRow> {
  const values = { id: randomUUID(), siteId, kind, payload, state: 'waiting', createdAt: new Date() } as const
  const row = await JobRow.create(values, { transaction }).catch((error: unknown) => {
    if (error instanceof UniqueConstraintError) throw busy()
    throw error
  })
  await sequelize.query("SELECT graphile_worker.add_job('run', $1::json, job_key := $2, max_attempts := $3)", {
    bind: [JSON.stringify({ jobId: row.id }), row.id, MOST_ATTEMPTS],
    transaction,
    type: QueryTypes.SELECT,
  })
  return row
}

export function findJob(id: string): Promise<JobRow | null> {
  return JobRow.findByPk(id)
}

/** The latest job of a site; null: there was none, or it is done. */
export async function openJob(siteId: string): Promise<JobRow | null> {
  const row = await JobRow.findOne({ where: { siteId }, order: [['createdAt', 'DESC']] })
  return row && row.state !== 'done' ? row : null
}

/** Refuses what cannot be done while a job works on a site. */
export async function refuseBusy(siteId: string): Promise<void> {
  const job = await openJob(siteId)
  if (job && ['waiting', 'running'].includes(job.state)) throw busy()
}

function busy(): Refusal {
  return new Refusal('busy', 'The files of this site are being read', 'Wait until that is done, or stop it.')
}

/** Whether a job is still to be done. */
export async function isOpen(id: string): Promise<boolean> {
  return (await JobRow.count({ where: { id, state: ['waiting', 'running'] } })) > 0
}

/** Marks a job as begun; null when it is over: done by another process, or stopped. */
export async function beginJob(id: string): Promise<JobRow | null> {
  const where = { id, state: ['waiting', 'running'] }
  const [count] = await JobRow.update(
    { state: 'running', filesDone: 0, places: 0, pagesDone: 0, pagesTotal: null },
    { where },
  )
  return count > 0 ? findJob(id) : null
}

/** Ends a job that runs. False: it was stopped, or is done already. What it was given is thrown away. */
export async function endJob(
  id: string,
  end: { state: 'done' | 'cancelled' } | { state: 'failed'; problem: Problem },
  transaction: Transaction,
): Promise<boolean> {
  const [count] = await JobRow.update(end, { where: { id, state: ['waiting', 'running'] }, transaction })
  if (count === 0) return false
  await JobFileRow.destroy({ where: { jobId: id }, transaction })
  await UploadFileRow.destroy({ where: { jobId: id }, transaction })
  return true
}

/** Jobs that are not over and that the queue has given up, because each process that began them died. */
export async function givenUpJobs(sequelize: Sequelize): Promise<string[]> {
  const rows = await sequelize.query<{ id: string }>(
    `SELECT id FROM jobs WHERE state IN ('waiting', 'running') AND NOT EXISTS (
       SELECT FROM graphile_worker.jobs AS queued
       WHERE queued.key = jobs.id::text AND (attempts < max_attempts OR locked_at IS NOT NULL))`,
    { type: QueryTypes.SELECT },
  )
  return rows.map(({ id }) => id)
}

/** What a job has done since it was last told. */
export interface Step extends Pick<JobRow, 'filesDone' | 'filesTotal' | 'places' | 'pagesDone' | 'pagesTotal'> {
  readonly files: readonly { readonly path: string; readonly places: number | null }[]
}

/** Records how far a job is. False: it was stopped. A file that an attempt before has told is not told again. */
export function recordStep(sequelize: Sequelize, id: string, { files, ...counts }: Step): Promise<boolean> {
  return sequelize.transaction(async (transaction) => {
    const [count] = await JobRow.update(counts, { where: { id, state: 'running' }, transaction })
    if (count === 0) return false
    await JobFileRow.bulkCreate(
      files.map((file) => ({ ...file, jobId: id })),
      { transaction, ignoreDuplicates: true },
    )
    return true
  })
}

/** Files that a job has done after one of them. */
export function listJobFiles(jobId: string, after: number): Promise<JobFileRow[]> {
  return JobFileRow.findAll({ where: { jobId, seq: { [Op.gt]: after } }, order: [['seq', 'ASC']] })
}

export function describeJob(row: JobRow): Job {
  const { id, kind, state, filesDone, filesTotal, places, pagesDone, pagesTotal, problem } = row
  return { id, kind, state, filesDone, filesTotal, places, pagesDone, pagesTotal, problem }
}
