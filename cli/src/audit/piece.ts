import {
  type ChannelTriple,
  isOfVariable,
  type LinkedVariables,
  linkPlace,
  linkTriple,
  type Occurrence,
  type Reading,
} from '@undo-ink/core'

/** A place of a file, or three bare numbers that may be one. */
export type MaybePlace = Occurrence | ChannelTriple

/** A place of which only all files together tell the rest. @typeParam O what is printed of it by then */
interface Open<O> extends Pick<ChannelTriple, 'raw' | 'variable' | 'use'> {
  readonly isTriple: boolean
  readonly begun: O
}

/** What is printed of places of a file. @typeParam T text or bytes @typeParam O of one that is not yet known in full */
export type Piece<T, O> = { readonly printed: T } | Open<O>

/** What all files together tell of a place. */
export type Told = Pick<Occurrence, 'use'> & Partial<Occurrence>

/** How the places of a file are printed. */
export interface PlacePrinter<T, O> {
  write(place: Occurrence): void
  /** What was written since it was taken last; null: nothing. */
  take(): T | null
  /** Of a place that is not yet known in full. */
  begin(place: MaybePlace): O
}

/** What is printed of the places of a file, three bare numbers in variables among them, in their order. */
export function piecesOf<T, O>(reading: Reading, printer: PlacePrinter<T, O>): Piece<T, O>[] {
  const pieces: Piece<T, O>[] = []
  const flush = () => {
    const printed = printer.take()
    if (printed !== null) pieces.push({ printed })
  }
  for (const place of inOrder(reading)) {
    if (hasColor(place) && !isOfVariable(place)) {
      printer.write(place)
      continue
    }
    flush()
    const { raw, variable, use } = place
    pieces.push({ raw, variable, use, isTriple: !hasColor(place), begun: printer.begin(place) })
  }
  flush()
  return pieces
}

/** The same with what all files together tell. */
export function* settled<T, O>(
  pieces: readonly Piece<T, O>[],
  linked: LinkedVariables,
  finish: (begun: O, told: Told) => string,
): Generator<T | string> {
  for (const piece of pieces) {
    if ('printed' in piece) {
      yield piece.printed
      continue
    }
    const found = piece.isTriple ? linkTriple(piece, linked) : {}
    if (found) yield finish(piece.begun, { ...found, use: linkPlace(piece, linked).use })
  }
}

/** The places of a file and the three bare numbers that may be some, in their order. */
export function inOrder({ occurrences, triples }: Reading): readonly MaybePlace[] {
  if (triples.length === 0) return occurrences
  return [...occurrences, ...triples].sort((a, b) => a.range.start - b.range.start)
}

/** Whether a place has a color by itself: three numbers are one only where a color function takes them. */
export function hasColor(place: MaybePlace): place is Occurrence {
  return 'color' in place
}
