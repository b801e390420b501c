import { Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import type { FileRow, PlanRow } from '../../db/models.ts'
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
    if (file.rawName !== null || file.path.includes('\\')) keepName(zip, file)
  }
  zip.end()
  return stream
}

/** General purpose bit 11 (APPNOTE 4.4.4): the name is UTF-8; where it stands in an entry's header beside its data, and in the directory. */
const IS_UTF8 = 0x800
const FLAGS_AT = { getLocalFileHeader: 6, getCentralDirectoryRecord: 8 } as const

/** What the package keeps of an entry, as far as it is changed here. */
type PackedEntry = { utf8FileName: Buffer } & Record<keyof typeof FLAGS_AT, () => Buffer>

/** Has the last entry go out under the bytes that its name came in: the package writes names as UTF-8 alone, and no backslash. */
function keepName(zip: ZipFile, { path, rawName }: FileRow): void {
  const entry = (zip as unknown as { readonly entries: readonly PackedEntry[] }).entries.at(-1) as PackedEntry
  entry.utf8FileName = rawName ?? Buffer.from(path)
  if (rawName === null) return
  for (const header of ['getLocalFileHeader', 'getCentralDirectoryRecord'] as const) {
    const made = entry[header].bind(entry)
    entry[header] = () => {
      const bytes = made()
      bytes.writeUInt16LE(bytes.readUInt16LE(FLAGS_AT[header]) & ~IS_UTF8, FLAGS_AT[header])
      return bytes
    }
  }
}
