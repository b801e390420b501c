import type { Readable } from 'node:stream'
import {
  applyEdits,
  changesInPlace,
  correctedBy,
  decode,
  editOf,
  editsOf,
  encode,
  fileEdits,
  resolver,
} from '@undo-ink/core'
import { ZipFile } from 'yazl'
import type { FileRow, PlanRow } from '../../db/models.ts'
import { placesOfFile } from '../audit/service.ts'
import { loadBytes } from '../audit/store.ts'
import { planStanding, type Standing } from '../plans/service.ts'
import { listFiles } from '../sites/store.ts'

/** The bytes of a file under a plan; files that neither a decision nor a correction touches come back as received. */
export async function rewriteFile(file: FileRow, { state, roles }: Standing): Promise<Buffer> {
  const bytes = await loadBytes(file.sha256 as string)
  if (file.skipped !== null) return bytes
  const resolve = resolver(state.decisions, roles)
  const changes = changesInPlace(await placesOfFile(file.id), resolve)
  const corrected = state.corrections
    .filter(({ path }) => path === file.path)
    .map((correction) => correctedBy(correction, resolve))
  if (changes.length + corrected.length === 0) return bytes
  const source = decode(file.path, bytes)
  if (typeof source === 'string') throw new Error(`${file.path} was read once and cannot be read now: ${source}`)
  const edits = fileEdits(file.path, source.text.length, [...editsOf(source.text, changes), ...corrected.map(editOf)])
  return Buffer.from(encode(applyEdits(source.text, edits), source.encoding))
}

/** The same DOS time everywhere, so that the same plan gives the same archive. */
const TIME = new Date(1980, 0, 1)

/** The recoloured copy as a ZIP, its files in the order of their paths. */
export async function rewriteZip(plan: PlanRow): Promise<Readable> {
  const standing = await planStanding(plan)
  const files = (await listFiles(plan.snapshotId)).filter(({ sha256 }) => sha256 !== null)
  const zip = new ZipFile()
  const stream = zip.outputStream as Readable
  const fill = async () => {
    for (const file of files)
      zip.addBuffer(await rewriteFile(file, standing), file.path, {
        mtime: TIME,
        mode: 0o100644,
        forceDosTimestamp: true,
      })
    zip.end()
  }
  fill().catch((error: unknown) => stream.destroy(error as Error))
  return stream
}
