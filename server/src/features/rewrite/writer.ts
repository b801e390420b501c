import { createHash } from 'node:crypto'
import { serialize } from 'node:v8'
import type { FileRow, PlanRow } from '../../db/models.ts'
import { PACKED, Threads } from '../../threads.ts'
import { bufferOf } from '../audit/buffer.ts'
import { getAuditPart } from '../audit/service.ts'
import { findOccurrences, loadBytes } from '../audit/store.ts'
import { planStanding } from '../plans/service.ts'
import type { count, FileToWrite, PlanData, SharedPlan, ToCount } from './worker.ts'

/** A plan as it stands, ready to be written into the files of its copy. */
export interface Rewriting extends SharedPlan {
  readonly version: number
  /** Files that it names, beside those whose places it is about. */
  readonly named: ReadonlySet<string>
  readonly isEmpty: boolean
}

/** Writes plans into files, in threads of its own. */
export class Writer {
  private readonly threads = new Threads('rewrite-worker', new URL('./worker-from-source.mjs', import.meta.url), 4)

  async rewriting(plan: PlanRow): Promise<Rewriting> {
    const { state, roles } = await planStanding(plan)
    const { decisions, confirmations, corrections, insertions, version } = state
    const asksForPages = decisions.some(({ target }) => target.scope?.page !== undefined)
    const pages = asksForPages ? await getAuditPart(plan.snapshotId, 'pages') : null
    const data: PlanData = { decisions, confirmations, corrections, insertions, roles, pages }
    const serialized = serialize(data)
    // Threads read it where it is.
    const shared = new Uint8Array(new SharedArrayBuffer(serialized.length))
    shared.set(serialized)
    return {
      key: createHash('sha256').update(serialized).digest('hex'),
      data: shared,
      version,
      named: new Set([...corrections, ...insertions].map(({ path }) => path)),
      isEmpty: decisions.length + corrections.length + insertions.length === 0,
    }
  }

  /**
   * The bytes of a file, under a plan or as received; files that a plan does not touch come back as they came, most of them unread.
   * @param quiet what is switched off in it for showing it
   */
  async bytesOf(file: FileRow, plan: Rewriting | null, quiet: FileToWrite['quiet'] = null): Promise<Buffer> {
    const bytes = await loadBytes(file.sha256 as string)
    const isRead = plan !== null && !plan.isEmpty && file.skipped === null
    const places = isRead ? await findOccurrences(file.id) : null
    const isTouched = isRead && (places !== null || plan.named.has(file.path))
    if (!isTouched && quiet === null) return bytes
    const shared = isTouched ? { key: plan.key, data: plan.data } : null
    const task: FileToWrite = { path: file.path, bytes, places, plan: shared, quiet }
    const how = { name: 'write', owner: file.snapshotId, bytes: bytes.length }
    const written = await this.threads.run<Uint8Array | null>(task, how)
    return written ? bufferOf(written) : bytes
  }

  /** How many places a plan decides. @param ledger of its copy, packed and in gzip */
  async progressOf(plan: PlanRow, ledger: Uint8Array, signal: AbortSignal): Promise<ReturnType<typeof count>> {
    const { key, data } = await this.rewriting(plan)
    const input: ToCount = { ledger, plan: { key, data } }
    return this.threads.run(input, { name: 'count', owner: plan.snapshotId, bytes: ledger.length * PACKED, signal })
  }

  close(): Promise<void> {
    return this.threads.close()
  }
}
