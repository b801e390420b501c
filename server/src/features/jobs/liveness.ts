import type { WorkerUtils } from 'graphile-worker'
import pg from 'pg'
import type { Logger } from 'pino'

/** Milliseconds between two looks for jobs whose process is gone. */
const EVERY = 5_000

/** First half of the key of each pool's lock; any number that no other program takes. */
const LOCKS = 4_600_002

/** The server ends a session whose machine is gone within about 20 seconds. */
const KEEP_ALIVE = "SET tcp_keepalives_idle = '5'; SET tcp_keepalives_interval = '5'; SET tcp_keepalives_count = '3'"

interface LivenessParts {
  readonly databaseUrl: string
  readonly pool: pg.Pool
  readonly utils: WorkerUtils
  readonly logger: Logger
  /** Called after each look, when the jobs of dead pools have been released. */
  afterLook(): Promise<void>
}

/**
 * Tells which pools of workers are alive: each one's process holds a lock in a session of its own, which the database lets go the moment
 * that the process dies. The queue itself would keep a dead pool's job for hours. A pool that lost its session may be taken for dead
 * and its job begun twice: jobs are safe to run twice, and only one of the two can end.
 */
export class Liveness {
  private readonly parts: LivenessParts
  private readonly pools: string[] = []
  private session: pg.Client | null = null
  private timer: NodeJS.Timeout | null = null
  private looking: Promise<void> = Promise.resolve()

  constructor(parts: LivenessParts) {
    this.parts = parts
  }

  add(poolId: string): void {
    this.pools.push(poolId)
  }

  async start(): Promise<void> {
    await this.look()
    this.timer = setInterval(() => {
      this.looking = this.look()
    }, EVERY)
  }

  async close(): Promise<void> {
    if (this.timer) clearInterval(this.timer)
    await this.looking
    await this.session?.end().catch(() => {})
    await this.parts.utils.release()
  }

  /** Keeps our own locks, and releases the jobs of pools whose lock nobody keeps. */
  private async look(): Promise<void> {
    try {
      await this.hold()
      const { rows } = await this.parts.pool.query<{ id: string }>(
        `SELECT id FROM (SELECT DISTINCT locked_by AS id FROM graphile_worker.jobs WHERE locked_by IS NOT NULL) AS busy
         WHERE NOT EXISTS (
           SELECT FROM pg_locks WHERE locktype = 'advisory' AND classid = $1::int::oid AND objid = hashtext(id)::oid
             AND database = (SELECT oid FROM pg_database WHERE datname = current_database()))`,
        [LOCKS],
      )
      if (rows.length > 0) await this.parts.utils.forceUnlockWorkers(rows.map(({ id }) => id))
      await this.parts.afterLook()
    } catch (error) {
      this.parts.logger.warn({ err: error }, 'the queue could not be looked at')
    }
  }

  private async hold(): Promise<void> {
    if (this.session) return
    const session = new pg.Client(this.parts.databaseUrl)
    const gone = () => {
      if (this.session === session) this.session = null
    }
    session.on('error', gone)
    session.on('end', gone)
    await session.connect()
    await session.query(KEEP_ALIVE)
    for (const id of this.pools) await session.query('SELECT pg_advisory_lock($1, hashtext($2))', [LOCKS, id])
    this.session = session
  }
}
