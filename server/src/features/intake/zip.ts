import type { Readable } from 'node:stream'
import { crc32 } from 'node:zlib'
import { LIMITS } from '@undo-ink/contracts'
import { decodeName, isLitter, likelyNameEncoding, type NameEncoding } from '@undo-ink/core'
import yauzl, { type Entry, type ZipFile } from 'yauzl'
import { Refusal } from '../../http/problem.ts'
import { archivePath, type NamedFile } from './path.ts'
import type { OpenUpload, ReceivedFile } from './received.ts'

/** An archive that unpacks to more than this many times its weight is no website but a bomb (deflate allows 1,032). */
const MOST_RATIO = 200
/** Bytes below which the ratio does not matter. */
const HARMLESS = 16 * 1024 * 1024

/** Opens an archive and checks its whole directory before anything of it is unpacked. `close` it in the end. */
export async function openZip(file: string, weight: number, names?: NameEncoding): Promise<OpenUpload> {
  const zip = await open(file)
  try {
    const all = await readDirectory(zip)
    const untold = all.filter(isUntold)
    const encoding =
      untold.length === 0 ? null : (names ?? likelyNameEncoding(untold.map(({ fileNameRaw }) => fileNameRaw)))
    const entries = all.flatMap((entry) => named(entry, encoding) ?? [])
    if (entries.length > LIMITS.files) throw tooMany()
    checkSizes(all, weight)
    const entryOf = new Map(entries.map((each) => [received(each), each.entry]))
    return {
      files: [...entryOf.keys()],
      encoding,
      async bytesOf(files) {
        const all: (Buffer | null)[] = []
        for (const file of files)
          all.push(file.size > LIMITS.fileBytes ? null : await unpack(zip, entryOf.get(file) as Entry))
        return all
      },
      close: () => zip.close(),
    }
  } catch (error) {
    zip.close()
    throw asRefusal(error)
  }
}

function open(file: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.open(file, { lazyEntries: true, autoClose: false, decodeStrings: false }, (error, zip) =>
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
        entries.push(entry)
        if (entries.length > MOST_ENTRIES) throw tooMany()
        zip.readEntry()
      } catch (error) {
        reject(error)
      }
    })
    zip.readEntry()
  })
}

/** Folders have entries of their own, and file managers leave theirs. */
const MOST_ENTRIES = 4 * LIMITS.files

function tooMany(): Refusal {
  return new Refusal('too-many-files', `The archive holds more than ${LIMITS.files.toLocaleString('en')} files`)
}

/** General purpose bit 11 (APPNOTE 4.4.4): the name is UTF-8. Field 0x7075 (APPNOTE 4.6.9) has it in UTF-8 beside. */
const IS_UTF8 = 0x800
const UNICODE_PATH = 0x7075

/** Whether a name says no encoding, and needs one. */
function isUntold({ fileNameRaw, generalPurposeBitFlag, extraFields }: Entry): boolean {
  const isTold = generalPurposeBitFlag & IS_UTF8 || extraFields.some(({ id }) => id === UNICODE_PATH)
  return !isTold && fileNameRaw.some((byte) => byte >= 0x80)
}

/** Bytes of a name that are read: what has more is too long in every encoding. */
const MOST_NAME = 5 * LIMITS.pathLength

interface NamedEntry {
  readonly entry: Entry
  readonly file: NamedFile
  readonly rawName: Buffer | null
}

/** null: a folder, or what file managers leave. */
function named(entry: Entry, encoding: NameEncoding | null): NamedEntry | null {
  const { fileNameRaw, generalPurposeBitFlag, extraFields } = entry
  const isRead = encoding !== null && isUntold(entry)
  const name = isRead
    ? decodeName(fileNameRaw.subarray(0, MOST_NAME), encoding)
    : yauzl.getFileNameLowLevel(generalPurposeBitFlag, fileNameRaw, extraFields, false)
  const path = name.replaceAll('\\', '/')
  if (path.endsWith('/') || isLitter(path)) return null
  return { entry, file: archivePath(name), rawName: isRead ? Buffer.from(fileNameRaw) : null }
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
      JSON.stringify(entry.fileNameRaw.toString('latin1')),
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

function received({ entry, file, rawName }: NamedEntry): ReceivedFile {
  return { ...file, rawName, size: entry.uncompressedSize }
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
      `${JSON.stringify(entry.fileNameRaw.toString('latin1'))}: ${(error as Error).message}`,
    )
  }
}

function asRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error
  const message = (error as Error).message
  if (/end of central directory/i.test(message))
    return new Refusal(
      'not-a-zip',
      'This is not a ZIP archive, or its end is missing',
      'Pack the site again, or drop its folder.',
    )
  return new Refusal('damaged-zip', 'The archive is damaged; nothing was taken in', message)
}
