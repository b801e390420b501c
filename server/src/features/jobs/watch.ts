import { setTimeout as wait } from 'node:timers/promises'
import type { Job } from '@undo-ink/contracts'
import { describeJob, findJob, listJobFiles } from './store.ts'

/** Milliseconds between two looks at a job that is watched. Looking needs no connection that could be lost unseen. */
const EVERY = 200

/** A job as it was at one look. */
export interface Look {
  readonly job: Job
  /** All files that it has done, in the order of `seq`, which counts them. */
  readonly files: readonly { readonly seq: number; readonly path: string; readonly places: number | null }[]
}

/** A job, looked at for all who watch it: however many they are, they cost the job that they wait for no more than one does. */
export class WatchedJob {
  private static readonly all = new Map<string, WatchedJob>()
  private watchers = 0
  private latest: Look | null = null
  private looking: Promise<Look> | null = null

  private constructor(private readonly id: string) {}

  /** Begins to watch a job. `leave` it in the end. */
  static enter(id: string): WatchedJob {
    const watched = WatchedJob.all.get(id) ?? new WatchedJob(id)
    WatchedJob.all.set(id, watched)
    watched.watchers++
    return watched
  }

  leave(): void {
    if (--this.watchers === 0) WatchedJob.all.delete(this.id)
  }

  /** What is known of it; looks where nothing is. */
  async now(): Promise<Look> {
    return this.latest ?? this.next()
  }

  /** The next look. */
  next(): Promise<Look> {
    this.looking ??= this.look().finally(() => {
      this.looking = null
    })
    return this.looking
  }

  private async look(): Promise<Look> {
    const before = this.latest?.files ?? []
    if (this.latest) await wait(EVERY)
    const row = await findJob(this.id)
    if (!row) throw new Error(`job ${this.id} is gone`)
    const more = await listJobFiles(this.id, before.at(-1)?.seq ?? 0)
    const files =
      more.length === 0 ? before : [...before, ...more.map(({ seq, path, places }) => ({ seq, path, places }))]
    this.latest = { job: describeJob(row), files }
    return this.latest
  }
}
