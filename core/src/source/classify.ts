import { decode, type Encoding, type SourceText } from '../text/source-text.ts'
import { type Claims, claimsOf, NO_CLAIMS, type ThirdParty, thirdPartyPath } from './provenance.ts'
import { READERS } from './read.ts'
import { type Syntax, syntaxOf } from './syntax.ts'

/** Why a file is not read. */
export const NOT_READ = [
  'no-colors-here',
  'empty',
  'binary',
  'not-reversible',
  'too-long',
  'too-costly',
  'third-party',
  'set-aside',
] as const
export type NotRead = (typeof NOT_READ)[number]

/** What the contractor has chosen for a file: to take third-party code in, or to set a file aside. */
export const FILE_CHOICES = ['take-in', 'set-aside'] as const
export type FileChoice = (typeof FILE_CHOICES)[number]

export interface Classified {
  readonly syntax: Syntax
  /** null: not read as text. */
  readonly encoding: Encoding | null
  readonly skipped: NotRead | null
  /** Why its path tells that it is third-party code, read or not; null: it does not. What all files tell together is `judgeFiles`'. */
  readonly thirdParty: ThirdParty | null
  readonly claims: Claims
  /** The text to read; null: not read. That of a sheet which is left out is read all the same, so that it can be told what is passed over. */
  readonly source: SourceText | null
}

/** What is known of a file that is not opened. */
export function unread(path: string, skipped: NotRead): Omit<Classified, 'source'> {
  const thirdParty = thirdPartyPath(path)
  return { syntax: syntaxOf(path), encoding: null, skipped, thirdParty, claims: NO_CLAIMS }
}

/** Whether a file will be read, and if not why, as far as it tells by itself. */
export function classify(
  path: string,
  bytes: Uint8Array,
  longestText: number,
  choice: FileChoice | null = null,
): Classified {
  const syntax = syntaxOf(path)
  const thirdParty = thirdPartyPath(path)
  const skip = (skipped: NotRead): Classified => ({ ...unread(path, skipped), source: null })
  if (READERS[syntax] === null) return skip('no-colors-here')
  const leftOut: NotRead | null =
    choice === 'set-aside' ? 'set-aside' : thirdParty !== null && choice === null ? 'third-party' : null
  if (leftOut !== null && syntax !== 'css') return skip(leftOut)
  if (bytes.length === 0) return skip('empty')
  if (bytes.length > longestText) return skip('too-long')
  const source = decode(path, bytes)
  if (typeof source === 'string') return skip(source)
  const claims = claimsOf(path, source.text)
  return { syntax, encoding: source.encoding, skipped: leftOut, thirdParty, claims, source }
}
