import { EventEmitter } from 'node:events'
import { Logger, makeWorkerUtils, type Runner, run, type WorkerEvents } from 'graphile-worker'
import pg from 'pg'
import type { Logger as Log } from 'pino'
import type { Sequelize } from 'sequelize'
import type { JobRow } from '../../db/models.ts'
import { Refusal, toRefusal } from '../../http/problem.ts'
import { Liveness } from './liveness.ts'
import { Progress, Stopped } from './progress.ts'
import { beginJob, endJob, givenUpJobs } from './store.ts'

/** Does one kind of job: all of it or, by throwing, nothing. Safe to begin again. A Refusal is told to the contractor. */
export type JobWork = (job: JobRow, progress: Progress) => Promise<void>

/** Jobs that one process runs at the same time. */
export const AT_ONCE = 4

/** Milliseconds after which the queue is looked at again where a notice of it was missed. */
const POLL = 1_000

interface QueueParts {
  readonly databaseUrl: string
  readonly sequelize: Sequelize
  readonly work: Readonly<Record<JobRow['kind'], JobWork>>
  readonly logger: Log
}

/** Runs the jobs of the database, beside any other process that does. Jobs of processes that died begin again. */
export class Queue {
  private readonly pool: pg.Pool
  private readonly liveness: Liveness
  private readonly runner: Runner

  private constructor(pool: pg.Pool, liveness: Liveness, runner: Runner) {
    this.pool = pool
    this.liveness = liveness
    this.runner = runner
  }

  static async start({ databaseUrl, sequelize, work, logger }: QueueParts): Promise<Queue> {
    const pool = new pg.Pool({ connectionString: databaseUrl, max: AT_ONCE + 4 })
    const lost = (error: Error) => logger.warn({ why: error.message }, 'the queue lost a connection')
    pool.on('error', lost)
    pool.on('connect', (client) => client.on('error', lost))
    const queueLog = new Logger(() => (level, message) => {
      if (level === 'error' || level === 'warning') logger.warn({ queue: message })
    })
    const options = { pgPool: pool, logger: queueLog }
    const utils = await makeWorkerUtils(options)
    const liveness = new Liveness({ databaseUrl, pool, utils, logger, afterLook: () => failGivenUp(sequelize) })
    const events: WorkerEvents = new EventEmitter()
    // Jobs are locked in the name of the pool of workers.
    events.on('pool:create', ({ workerPool }) => liveness.add(workerPool.id))
    const runner = await run({
      ...options,
      events,
      concurrency: AT_ONCE,
      pollInterval: POLL,
      noHandleSignals: true,
      taskList: {
        run: async (payload, { job }) => {
          const { jobId } = payload as { jobId: string }
          await runJob(sequelize, work, jobId, job.attempts >= job.max_attempts, logger)
        },
      },
    })
    await liveness.start()
    return new Queue(pool, liveness, runner)
  }

  async close(): Promise<void> {
    await this.runner.stop().catch(() => {})
    await this.liveness.close()
    await this.pool.end().catch(() => {})
  }
}

async function runJob(
  sequelize: Sequelize,
  work: QueueParts['work'],
  id: string,
  isLast: boolean,
  logger: Log,
): Promise<void> {
  const job = await beginJob(id)
  if (!job) return
  const progress = new Progress(sequelize, job)
  try {
    await work[job.kind](job, progress)
  } catch (error) {
    if (error instanceof Stopped) return
    const refusal = toRefusal(error)
    if (['internal', 'no-database'].includes(refusal.code)) {
      logger.error({ err: error, job: id }, 'a job failed')
      if (!isLast) throw error
    }
    await failJob(sequelize, id, refusal)
  } finally {
    progress.close()
  }
}

async function failJob(sequelize: Sequelize, id: string, refusal: Refusal): Promise<void> {
  const end = { state: 'failed', problem: refusal.toProblem() } as const
  await sequelize.transaction((transaction) => endJob(id, end, transaction))
}

async function failGivenUp(sequelize: Sequelize): Promise<void> {
  for (const id of await givenUpJobs(sequelize))
    await failJob(sequelize, id, new Refusal('internal', 'The server ended each time it read these files'))
}
