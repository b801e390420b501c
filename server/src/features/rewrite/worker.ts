import { deserialize } from 'node:v8'
import { gunzipSync } from 'node:zlib'
import {
  bytesAfter,
  decidedIn,
  decode,
  encode,
  type Ledger,
  type LedgerPlace,
  type PlanState,
  placeAt,
  quietPage,
  quietSheet,
  type Role,
  resolveLedger,
  resolver,
  rewriteFile,
  type ScopePage,
  type SourceText,
  standingOf,
  touches,
  unpackLedger,
  type WritablePlan,
} from '@undo-ink/core'

/** One file to be written; all bytes as they are stored. */
export interface FileToWrite {
  readonly path: string
  readonly bytes: Uint8Array
  /** Its places, packed and in gzip; null: it holds none. */
  readonly places: Uint8Array | null
  /** null: as received. */
  readonly plan: SharedPlan | null
  /** What is switched off in it, since it would be refused where it is shown; null: nothing. */
  readonly quiet: 'page' | 'sheet' | null
}

/** A plan as it is written, in plain data. */
export interface PlanData extends Pick<PlanState, 'decisions' | 'confirmations' | 'corrections' | 'insertions'> {
  readonly roles: readonly Role[]
  /** The pages of the copy, as JSON in gzip; null: no decision asks for them. */
  readonly pages: Uint8Array | null
}

/** A plan that many files are written by: one copy for all threads, told from others by its key. */
export interface SharedPlan {
  readonly key: string
  /** `PlanData`, serialized. */
  readonly data: Uint8Array
}

/** The plan that this thread wrote by last. */
let last: { readonly key: string; readonly plan: WritablePlan } | null = null

function planOf({ key, data }: SharedPlan): WritablePlan {
  if (last?.key === key) return last.plan
  const { decisions, roles, pages, confirmations, corrections, insertions } = deserialize(data) as PlanData
  const plan = { resolver: resolver(decisions, roles, pagesIn(pages), confirmations), corrections, insertions }
  last = { key, plan }
  return plan
}

/** Runs in a worker thread: a file under a plan, ready to be sent; null: as it was given. */
export function write({ path, bytes, places, plan, quiet }: FileToWrite): Uint8Array | null {
  const own = placesIn(places)
  const writable = plan && planOf(plan)
  const isTouched = writable !== null && touches(path, own, writable)
  if (!isTouched && quiet === null) return null
  const source = decode(path, bytes)
  if (typeof source === 'string') {
    if (isTouched) throw new Error(`${path} was read once and cannot be read now: ${source}`)
    return null
  }
  const written = isTouched ? bytesAfter(source, rewriteFile(source, own, writable)) : null
  return quiet === null ? written : quieted(path, written ?? bytes, quiet)
}

/** A plan whose places are to be counted; the ledger packed and in gzip. */
export interface ToCount {
  readonly ledger: Uint8Array
  readonly plan: SharedPlan
}

/** Runs in a worker thread: how many places a plan decides, as the interface counts. */
export function count({ ledger, plan }: ToCount): { decided: number; possible: number } {
  const { decisions, roles, pages, confirmations } = deserialize(plan.data) as PlanData
  const standing = standingOf(resolveLedger(unpacked(ledger), decisions, roles, pagesIn(pages), confirmations))
  return { decided: decidedIn(standing), possible: standing.possible }
}

function quieted(path: string, bytes: Uint8Array, quiet: 'page' | 'sheet'): Uint8Array {
  const source = decode(path, bytes) as SourceText
  const text = quiet === 'page' ? quietPage(source.text) : quietSheet(source.text)
  return text === source.text ? bytes : encode(text, source.encoding)
}

function pagesIn(packed: PlanData['pages']): ScopePage[] {
  return packed ? (JSON.parse(gunzipSync(packed).toString()) as ScopePage[]) : []
}

function placesIn(packed: Uint8Array | null): LedgerPlace[] {
  if (packed === null) return []
  const ledger = unpacked(packed)
  return Array.from({ length: ledger.length }, (_, index) => placeAt(ledger, index))
}

function unpacked(packed: Uint8Array): Ledger {
  const ledger = unpackLedger(gunzipSync(packed))
  if (!ledger) throw new Error('packed places cannot be read')
  return ledger
}
