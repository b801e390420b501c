import type { Readable } from 'node:stream'
import { crc32 } from 'node:zlib'
import { LIMITS } from '@undo-ink/contracts'
import { isLitter } from '@undo-ink/core'
import yauzl, { type Entry, type ZipFile } from 'yauzl'
import { Refusal } from '../../http/problem.ts'
import { sitePath } from './path.ts'
import type { ReceivedFile } from './received.ts'

/** An archive that unpacks to more than this many times its weight is no website but a bomb (deflate allows 1,032). */
const MOST_RATIO = 200
/** Bytes below which the ratio does not matter. */
const HARMLESS = 16 * 1024 * 1024

/** Opens an archive and checks its whole directory before anything of it is unpacked. `close` it in the end. */
export async function openZip(file: string, weight: number): Promise<{ files: ReceivedFile[]; close(): void }> {
  const zip = await open(file)
  try {
    const entries = await readDirectory(zip)
    checkSizes(entries, weight)
    return { files: entries.map((entry) => received(zip, entry)), close: () => zip.close() }
  } catch (error) {
    zip.close()
    throw asRefusal(error)
  }
}

function open(file: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.open(file, { lazyEntries: true, autoClose: false }, (error, zip) =>
      error ? reject(asRefusal(error)) : resolve(zip),
    )
  })
}

function readDirectory(zip: ZipFile): Promise<Entry[]> {
  return new Promise((resolve, reject) => {
    const entries: Entry[] = []
    zip.on('error', reject)
    zip.on('end', () => resolve(entries))
    zip.on('entry', (entry: Entry) => {
      try {
        checkEntry(entry)
        const isFolder = entry.fileName.endsWith('/')
        if (!isFolder && !isLitter(entry.fileName)) entries.push(entry)
        if (entries.length > LIMITS.files)
          throw new Refusal('too-many-files', `The archive holds more than ${LIMITS.files.toLocaleString('en')} files`)
        zip.readEntry()
      } catch (error) {
        reject(error)
      }
    })
    zip.readEntry()
  })
}

const LINK = 0o120000
const KIND = 0o170000

function checkEntry(entry: Entry): void {
  if (entry.generalPurposeBitFlag & 1)
    throw new Refusal('encrypted-zip', 'The archive is protected with a password', 'Unpack it and drop the folder.')
  if (((entry.externalFileAttributes >>> 16) & KIND) === LINK)
    throw new Refusal(
      'unsafe-path',
      'The archive holds a link to another place; nothing was taken in',
      JSON.stringify(entry.fileName),
    )
}

function checkSizes(entries: readonly Entry[], weight: number): void {
  const total = entries.reduce((sum, entry) => sum + entry.uncompressedSize, 0)
  if (total > LIMITS.totalBytes || (total > HARMLESS && total > weight * MOST_RATIO))
    throw new Refusal(
      'unpacks-too-large',
      'The archive unpacks to far more than it weighs; nothing was taken in',
      `${megabytes(weight)} unpack to ${megabytes(total)}. A copy may hold ${megabytes(LIMITS.totalBytes)}.`,
    )
}

function megabytes(bytes: number): string {
  return `${(bytes / 1024 / 1024).toFixed(1)} MB`
}

function received(zip: ZipFile, entry: Entry): ReceivedFile {
  return {
    path: sitePath(entry.fileName),
    size: entry.uncompressedSize,
    bytes: async () => (entry.uncompressedSize > LIMITS.fileBytes ? null : unpack(zip, entry)),
  }
}

/** The package itself refuses an entry that gives more or fewer bytes than its directory says; the checksum is checked here. */
async function unpack(zip: ZipFile, entry: Entry): Promise<Buffer> {
  try {
    const stream = await new Promise<Readable>((resolve, reject) => {
      zip.openReadStream(entry, (error, opened) => (error ? reject(error) : resolve(opened)))
    })
    const bytes = Buffer.concat(await stream.toArray())
    if (crc32(bytes) !== entry.crc32) throw new Error('wrong checksum')
    return bytes
  } catch (error) {
    throw new Refusal(
      'damaged-zip',
      'The archive is damaged; nothing was taken in',
      `${JSON.stringify(entry.fileName)}: ${(error as Error).message}`,
    )
  }
}

function asRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error
  const message = (error as Error).message
  if (/relative path|absolute path|invalid characters/i.test(message))
    return new Refusal('unsafe-path', 'A file name leads out of the site; nothing was taken in', message)
  if (/end of central directory/i.test(message))
    return new Refusal(
      'not-a-zip',
      'This is not a ZIP archive, or its end is missing',
      'Pack the site again, or drop its folder.',
    )
  return new Refusal('damaged-zip', 'The archive is damaged; nothing was taken in', message)
}
