import { createHash } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { LIMITS } from '@undo-ink/contracts/limits'
import {
  classify,
  type FileAbout,
  type FileChoice,
  type FileOutline,
  outlineOf,
  type Reading,
  readSource,
  unread,
} from '@undo-ink/core'
import { type Why, whyOf } from './walk.ts'

/** A file of a folder that is to be read. */
export interface FileToRead {
  readonly folder: string
  /** From the folder, with `/`. */
  readonly path: string
  readonly size: number
  readonly choice: FileChoice | null
}

/** One file by itself. */
export interface FileRead<K> {
  readonly about: FileAbout
  /** Of its bytes, in hex; null: it is larger than what an intake keeps, and not opened. */
  readonly sha256: string | null
  /** null: not read. */
  readonly outline: FileOutline | null
  readonly kept: K | null
}

/** Reads one file, or says why it cannot be opened. Its bytes are let go. @param keep what of its reading is kept */
export async function fileRead<K>(
  { folder, path, size, choice }: FileToRead,
  keep: (reading: Reading) => K,
): Promise<FileRead<K> | Why> {
  const bytes = size <= LIMITS.fileBytes ? await readFile(join(folder, path)).catch(whyOf) : null
  if (typeof bytes === 'string') return bytes
  const { source, ...about } = bytes
    ? classify(path, bytes, LIMITS.textBytes, choice)
    : { ...unread(path, 'too-long'), source: null }
  const reading = source && readSource(source)
  return {
    about,
    sha256: bytes && createHash('sha256').update(bytes).digest('hex'),
    outline: reading && outlineOf(reading),
    kept: reading && keep(reading),
  }
}
