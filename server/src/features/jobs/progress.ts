import type { Sequelize, Transaction } from 'sequelize'
import type { JobRow } from '../../db/models.ts'
import { endJob, isOpen, recordStep } from './store.ts'

/** Milliseconds between two records of how far a job is. */
const EVERY = 150

/** Milliseconds between two looks whether a job is still to be done. */
const LOOK = 500

/** Thrown into a job that was stopped, or that another process has done: it ends without a trace. */
export class Stopped extends Error {
  override name = 'Stopped'
}

/** Tells how far a job is, and the job when it is to stop. `close` it in the end. */
export class Progress {
  /** Whose the work is. */
  readonly owner: string
  private readonly sequelize: Sequelize
  private readonly jobId: string
  private readonly stopping = new AbortController()
  private readonly watch: NodeJS.Timeout
  private readonly counts = { filesTotal: 0, filesDone: 0, places: 0, pagesTotal: null as number | null, pagesDone: 0 }
  private files: { path: string; places: number | null }[] = []
  private recordedAt = 0

  constructor(sequelize: Sequelize, { id, siteId }: JobRow) {
    this.sequelize = sequelize
    this.jobId = id
    this.owner = siteId
    this.watch = setInterval(() => void this.look(), LOOK)
  }

  /** Aborted with Stopped as soon as the job is over: what runs in a thread is not waited for. */
  get signal(): AbortSignal {
    return this.stopping.signal
  }

  close(): void {
    clearInterval(this.watch)
  }

  private async look(): Promise<void> {
    // A look that fails tells nothing; the job's own writing will.
    if (!(await isOpen(this.jobId).catch(() => true))) this.stopping.abort(new Stopped())
  }

  /** @param total files that the job has to do */
  async begin(total: number): Promise<void> {
    this.counts.filesTotal = total
    await this.flush()
  }

  /** @param places of the file; null: it is not read */
  async fileDone(path: string, places: number | null): Promise<void> {
    this.counts.filesDone++
    this.counts.places += places ?? 0
    this.files.push({ path, places })
    if (Date.now() - this.recordedAt >= EVERY) await this.flush()
  }

  /** @param done pages of which the words are known, of so many */
  async pagesDone(done: number, total: number): Promise<void> {
    Object.assign(this.counts, { pagesDone: done, pagesTotal: total })
    await this.flush()
  }

  /** Ends the job within the transaction that stores what it has made. */
  async end(transaction: Transaction): Promise<void> {
    if (!(await endJob(this.jobId, { state: 'done' }, transaction))) throw new Stopped()
  }

  /** Tells what has not been told yet. */
  async flush(): Promise<void> {
    this.recordedAt = Date.now()
    const files = this.files.splice(0)
    if (!(await recordStep(this.sequelize, this.jobId, { ...this.counts, files }))) throw new Stopped()
  }
}
