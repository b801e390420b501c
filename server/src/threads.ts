import { setFlagsFromString } from 'node:v8'
import { INLINE_LESS } from '@undo-ink/contracts'
import { Piscina } from 'piscina'

/** What a task in a thread is, to whoever shares the threads out. */
export interface Task {
  /** Name of the worker's exported function. */
  readonly name: string
  /** Whose it is: one who has many does not hold the others up. */
  readonly owner: string
  /** Bytes that it works on: its time is limited by them. */
  readonly bytes: number
  /** Ends it, and its thread. */
  readonly signal?: AbortSignal | undefined
}

/** A task took more time or memory than its input's size allows; its thread is gone. */
export class TooCostly extends Error {
  override name = 'TooCostly'
}

/** Bytes of objects for each that they have in gzip, roughly: a limit of time needs no more. */
export const PACKED = 10

/** What a task may take. */
export interface Limits {
  /** Milliseconds, for a task on so many bytes. */
  time(bytes: number): number
  /** MB of objects that its thread may hold. */
  readonly memory: number
}

/** Every reader is far below on any machine; what is not is hostile. */
export const LIMITS: Limits = {
  time: (bytes) => 20_000 + 10_000 * (bytes / 1_000_000),
  memory: 2048,
}

/** Tasks of one owner that run at the same time. */
const MOST_OF_ONE = 2

interface Waiting {
  readonly owner: string
  readonly start: () => void
}

/**
 * Threads in which a worker's exported functions run: nothing that grows with a file's size is computed where requests are answered. Each task
 * can be aborted, and ends its thread when it takes more time or memory than it may.
 */
export class Threads {
  private readonly pool: Piscina
  private readonly most: number
  private readonly limits: Limits
  private readonly running = new Map<string, number>()
  private waiting: Waiting[] = []

  /**
   * @param built name of the built worker, beside the server @param source of the worker, where nothing has been built
   * @param most threads
   */
  constructor(built: string, source: URL, most: number, limits: Limits = LIMITS) {
    const fromSource = import.meta.url.endsWith('.ts')
    const filename = fromSource ? source.href : new URL(`./${built}.js`, import.meta.url).href
    const resourceLimits = { maxOldGenerationSizeMb: limits.memory }
    setFlagsFromString(INLINE_LESS)
    this.pool = new Piscina({ filename, maxThreads: most, idleTimeout: 10_000, resourceLimits })
    this.most = most
    this.limits = limits
  }

  /** Runs a task as soon as it is its turn. Throws TooCostly, and what the signal or the task throws. */
  async run<R>(input: unknown, { name, owner, bytes, signal }: Task): Promise<R> {
    await this.turn(owner)
    const ending = new AbortController()
    const timer = setTimeout(() => ending.abort(), this.limits.time(bytes))
    try {
      signal?.throwIfAborted()
      return (await this.pool.run(input, {
        name,
        signal: signal ? AbortSignal.any([signal, ending.signal]) : ending.signal,
      })) as R
    } catch (error) {
      signal?.throwIfAborted()
      const isOutOfMemory = (error as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY'
      if (ending.signal.aborted || isOutOfMemory)
        throw new TooCostly(`${name} took more ${isOutOfMemory ? 'memory' : 'time'} than ${bytes} bytes may`)
      throw error
    } finally {
      clearTimeout(timer)
      this.done(owner)
    }
  }

  close(): Promise<void> {
    return this.pool.destroy()
  }

  /** Waits for a free thread: first come, first served, but none has more than a few at once. */
  private async turn(owner: string): Promise<void> {
    if (this.isFreeFor(owner)) this.begin(owner)
    else await new Promise<void>((start) => this.waiting.push({ owner, start }))
  }

  private done(owner: string): void {
    const left = (this.running.get(owner) ?? 1) - 1
    if (left > 0) this.running.set(owner, left)
    else this.running.delete(owner)
    const next = this.waiting.find((each) => this.isFreeFor(each.owner))
    if (!next) return
    this.waiting = this.waiting.filter((each) => each !== next)
    this.begin(next.owner)
    next.start()
  }

  private begin(owner: string): void {
    this.running.set(owner, (this.running.get(owner) ?? 0) + 1)
  }

  private isFreeFor(owner: string): boolean {
    const busy = [...this.running.values()].reduce((sum, count) => sum + count, 0)
    return busy < this.most && (this.running.get(owner) ?? 0) < MOST_OF_ONE
  }
}
