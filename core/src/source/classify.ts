import { decode, type Encoding, type SourceText } from '../text/source-text.ts'
import { isLibrary, type ThirdParty, thirdPartyPath } from './provenance.ts'
import { READERS } from './read.ts'
import { type Syntax, syntaxOf } from './syntax.ts'

/** Why a file is not read. */
export type NotRead =
  | 'no-colors-here'
  | 'empty'
  | 'binary'
  | 'not-reversible'
  | 'too-long'
  | 'third-party'
  | 'set-aside'

/** What the contractor has chosen for a file: to take third-party code in, or to set a file aside. */
export type FileChoice = 'take-in' | 'set-aside'

export interface Classified {
  readonly syntax: Syntax
  /** null: not read as text. */
  readonly encoding: Encoding | null
  readonly skipped: NotRead | null
  /** Why it is taken for third-party code, read or not; null: it is not. */
  readonly thirdParty: ThirdParty | null
  /** The text to read; null: not read. */
  readonly source: SourceText | null
}

/** Whether a file will be read, and if not why. Third-party code is left out unless it was taken in. */
export function classify(
  path: string,
  bytes: Uint8Array,
  longestText: number,
  choice: FileChoice | null = null,
): Classified {
  const syntax = syntaxOf(path)
  const byPath = thirdPartyPath(path)
  const skip = (skipped: NotRead, thirdParty = byPath): Classified => {
    return { syntax, encoding: null, skipped, thirdParty, source: null }
  }
  if (READERS[syntax] === null) return skip('no-colors-here')
  if (choice === 'set-aside') return skip('set-aside')
  if (byPath !== null && choice === null) return skip('third-party')
  if (bytes.length === 0) return skip('empty')
  if (bytes.length > longestText) return skip('too-long')
  const source = decode(path, bytes)
  if (typeof source === 'string') return skip(source)
  const thirdParty = byPath ?? (isLibrary(source.text) ? 'library' : null)
  if (thirdParty !== null && choice === null) return skip('third-party', thirdParty)
  return { syntax, encoding: source.encoding, skipped: null, thirdParty, source }
}
