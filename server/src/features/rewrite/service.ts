import { Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import type { PlanRow } from '../../db/models.ts'
import { listFiles } from '../sites/store.ts'
import type { Writer } from './writer.ts'

/** The same DOS time everywhere, so that the same plan gives the same archive. */
const TIME = new Date(1980, 0, 1)

/**
 * The recoloured copy as a ZIP, its files in the order of their paths. A file is written when its turn comes, as fast as whoever takes the archive: one at a time
 * is in memory. With the stream it ends.
 */
export async function rewriteZip(plan: PlanRow, writer: Writer): Promise<Readable> {
  const rewriting = await writer.rewriting(plan)
  const files = (await listFiles(plan.snapshotId)).filter(({ sha256 }) => sha256 !== null)
  const zip = new ZipFile()
  const stream = zip.outputStream as Readable
  zip.on('error', (error) => stream.destroy(error))
  for (const file of files) {
    const options = { mtime: TIME, mode: 0o100644, forceDosTimestamp: true }
    zip.addReadStreamLazy(file.path, options, (take) => {
      if (stream.destroyed) return
      writer.bytesOf(file, rewriting).then(
        (bytes) => take(null, Readable.from([bytes])),
        (error: Error) => take(error, undefined as never),
      )
    })
  }
  zip.end()
  return stream
}
