import { decode, type Encoding, type SourceText } from '../text/source-text.ts'
import { READERS } from './read.ts'
import { type Syntax, syntaxOf } from './syntax.ts'

/** Why a file is not read. */
export type NotRead = 'not-read-yet' | 'no-colors-here' | 'empty' | 'binary' | 'not-reversible' | 'too-long'

export interface Classified {
  readonly syntax: Syntax
  /** null: not read as text. */
  readonly encoding: Encoding | null
  readonly skipped: NotRead | null
  /** The text to read; null: not read. */
  readonly source: SourceText | null
}

/** Whether a file will be read, and if not why. */
export function classify(path: string, bytes: Uint8Array, longestText: number): Classified {
  const syntax = syntaxOf(path)
  const skip = (skipped: NotRead): Classified => ({ syntax, encoding: null, skipped, source: null })
  if (READERS[syntax] === null)
    return skip(syntax === 'image' || syntax === 'font' || syntax === 'other' ? 'no-colors-here' : 'not-read-yet')
  if (bytes.length === 0) return skip('empty')
  if (bytes.length > longestText) return skip('too-long')
  const source = decode(path, bytes)
  return typeof source === 'string' ? skip(source) : { syntax, encoding: source.encoding, skipped: null, source }
}
