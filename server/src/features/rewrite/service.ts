import type { Readable } from 'node:stream'
import { bytesAfter, decode, resolver, rewriteFile, touches, type WritablePlan } from '@undo-ink/core'
import { ZipFile } from 'yazl'
import type { FileRow, PlanRow } from '../../db/models.ts'
import { pagesOf, placesOfFile } from '../audit/service.ts'
import { loadBytes } from '../audit/store.ts'
import { planStanding, type Standing } from '../plans/service.ts'
import { listFiles } from '../sites/store.ts'

/** A plan as it stands, ready to be written into the files of its copy. */
export interface Rewriting extends Standing {
  readonly writable: WritablePlan
}

export async function rewritingOf(plan: PlanRow): Promise<Rewriting> {
  const standing = await planStanding(plan)
  const { decisions, confirmations, corrections, insertions } = standing.state
  const asksForPages = decisions.some(({ target }) => target.scope?.page !== undefined)
  const pages = asksForPages ? await pagesOf(plan.snapshotId) : []
  const writable = { resolver: resolver(decisions, standing.roles, pages, confirmations), corrections, insertions }
  return { ...standing, writable }
}

/** The bytes of a file under a plan; files that neither a decision nor a correction touches come back as received. */
export async function rewrittenBytes(file: FileRow, { writable }: Rewriting): Promise<Buffer> {
  const bytes = await loadBytes(file.sha256 as string)
  if (file.skipped !== null) return bytes
  const places = await placesOfFile(file.id)
  if (!touches(file.path, places, writable)) return bytes
  const source = decode(file.path, bytes)
  if (typeof source === 'string') throw new Error(`${file.path} was read once and cannot be read now: ${source}`)
  return Buffer.from(bytesAfter(source, rewriteFile(source, places, writable)))
}

/** The same DOS time everywhere, so that the same plan gives the same archive. */
const TIME = new Date(1980, 0, 1)

/** The recoloured copy as a ZIP, its files in the order of their paths. */
export async function rewriteZip(plan: PlanRow): Promise<Readable> {
  const rewriting = await rewritingOf(plan)
  const files = (await listFiles(plan.snapshotId)).filter(({ sha256 }) => sha256 !== null)
  const zip = new ZipFile()
  const stream = zip.outputStream as Readable
  const fill = async () => {
    for (const file of files)
      zip.addBuffer(await rewrittenBytes(file, rewriting), file.path, {
        mtime: TIME,
        mode: 0o100644,
        forceDosTimestamp: true,
      })
    zip.end()
  }
  fill().catch((error: unknown) => stream.destroy(error as Error))
  return stream
}
