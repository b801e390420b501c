import { setInterval } from 'node:timers/promises'
import { LIMITS } from '@undo-ink/contracts'
import type { Request, Response } from 'express'
import multer from 'multer'
import { Refusal } from '../../http/problem.ts'
import type { UploadedFile } from './staging.ts'

/** What uploads may take. */
export interface UploadLimits {
  /** Uploads that come in at the same time. */
  readonly most: number
  /** Milliseconds in which at least so many bytes of an upload come in, else it is ended. */
  readonly patience: number
  readonly leastBytes: number
}

/** On the slowest line that anybody would send a site over, 1 KB comes in a second. */
export const UPLOAD_LIMITS: UploadLimits = { most: 8, patience: 30_000, leastBytes: 30_000 }

/** Takes uploads in, in bounds: no more than some at once, and none that only trickles. */
export class Uploads {
  private readonly limits: UploadLimits
  /** Sites whose copy is on its way. */
  private readonly coming = new Set<string>()

  constructor(limits: UploadLimits) {
    this.limits = limits
  }

  /**
   * Writes an upload into a folder. Field `zip`: one archive. Field `files`: the files of a folder, each named by its path in it. Throws a Refusal;
   * what has come until then stays in the folder.
   */
  async receive(
    siteId: string,
    req: Request,
    res: Response,
    folder: string,
  ): Promise<{ kind: 'zip' | 'files'; files: UploadedFile[] }> {
    if (this.coming.has(siteId)) throw new Refusal('busy', 'A copy of this site is on its way already')
    if (this.coming.size >= this.limits.most)
      throw new Refusal(
        'busy',
        `${this.limits.most} copies are on their way already`,
        'Send it again when one is there.',
      )
    this.coming.add(siteId)
    const ended = new AbortController()
    try {
      await Promise.race([parse(req, res, folder), this.trickle(req, res, ended.signal)])
    } finally {
      ended.abort()
      this.coming.delete(siteId)
    }
    const all = Object.values((req.files ?? {}) as Record<string, Express.Multer.File[]>).flat()
    const zip = all.find(({ fieldname }) => fieldname === 'zip')
    return { kind: zip ? 'zip' : 'files', files: (zip ? [zip] : all).map(uploadedFile) }
  }

  /** Ends, with a refusal, as soon as too little of an upload has come in for too long. */
  private async trickle(req: Request, res: Response, signal: AbortSignal): Promise<never> {
    let before = req.socket.bytesRead
    for await (const _ of setInterval(this.limits.patience, null, { signal, ref: false })) {
      const now = req.socket.bytesRead
      if (now - before < this.limits.leastBytes) break
      before = now
    }
    // It would be waited for until it ends.
    res.set('Connection', 'close').once('finish', () => req.destroy())
    throw new Refusal('too-slow', 'The upload came in too slowly, and was ended; nothing was taken in')
  }
}

/** Names come percent-encoded, since forms cannot hold all of them (HTML, multipart form data); one that is not so is taken as it stands. */
function uploadedFile({ originalname, size, path }: Express.Multer.File): UploadedFile {
  const name = decoded(originalname)
  // No disk has such a name, and the database cannot hold it.
  if (name.includes('\u0000')) throw new Refusal('unsafe-path', 'A file name holds a NUL; nothing was taken in')
  return { name, size, at: path }
}

function decoded(name: string): string {
  try {
    return decodeURIComponent(name)
  } catch {
    return name
  }
}

function parse(req: Request, res: Response, folder: string): Promise<void> {
  const upload = multer({
    storage: multer.diskStorage({ destination: folder }),
    preservePath: true,
    defParamCharset: 'utf8',
    limits: { files: LIMITS.files + 1, fileSize: LIMITS.totalBytes, fields: 0, parts: LIMITS.files + 2 },
  }).fields([{ name: 'zip', maxCount: 1 }, { name: 'files' }])
  return new Promise((resolve, reject) => {
    upload(req, res, (error: unknown) => (error ? reject(uploadRefusal(error)) : resolve()))
  })
}

function uploadRefusal(error: unknown): unknown {
  if ((error as NodeJS.ErrnoException).code === 'ENOSPC') return error
  if (!(error instanceof multer.MulterError))
    return new Refusal('bad-request', 'The upload broke off; nothing was taken in')
  switch (error.code) {
    case 'LIMIT_FILE_SIZE':
      return new Refusal(
        'too-large',
        `A copy may hold ${LIMITS.totalBytes / 1024 / 1024} MB in all; nothing was taken in`,
      )
    case 'LIMIT_FILE_COUNT':
    case 'LIMIT_PART_COUNT':
      return new Refusal(
        'too-many-files',
        `A copy may hold ${LIMITS.files.toLocaleString('en')} files; nothing was taken in`,
      )
    default:
      return new Refusal('bad-request', 'The upload is not understood; nothing was taken in', error.message)
  }
}
