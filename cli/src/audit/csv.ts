import { PLACE_HEADS, type PlaceInFile, placeCells } from '@undo-ink/contracts/places-document'
import { csvLines, type Reading } from '@undo-ink/core'
import type { FileKept, Folder } from '../read-folder.ts'
import { type Draft, linkedIn } from './draft.ts'
import { type Piece, piecesOf, settled } from './piece.ts'

type Drafted = Piece<string, PlaceInFile>[]

/** The places alone, a row each. */
export function draft(path: string, reading: Reading): Drafted {
  let rows: unknown[][] = []
  return piecesOf(reading, {
    write: (place) => rows.push(placeCells({ ...place, path })),
    take() {
      const lines = rows.length > 0 ? csvLines(rows) : null
      rows = []
      return lines
    },
    begin: (place) => ({ ...(place as PlaceInFile), path }),
  })
}

/** A table (RFC 4180) with its head. */
export function* print({ files }: Folder<FileKept<Draft<Drafted>>>): Generator<string> {
  const linked = linkedIn(files)
  yield csvLines([PLACE_HEADS])
  for (const { kept } of files)
    if (kept) yield* settled(kept.content, linked, (place, told) => csvLines([placeCells({ ...place, ...told })]))
}
