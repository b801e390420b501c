/** A type and up to four classes, ids and attributes, without combinators, pseudo-elements and functions. */
const COMPOUND = /^(?:[a-z][\w-]*)?(?:[.#][\w-]+|\[[^\]]*\])*$/i
const PIECE = /^[a-z][\w-]*|[.#][\w-]+|\[[^\]]*\]/gi

/** Of more pieces there would be too many parts. */
const MOST_PIECES = 5

/**
 * The subjects that all elements of a compound also belong to, the longest first: of `a.key.late` `a.key`, `a.late`, `.key.late`, `a`, `.key`, `.late`.
 * None of any other selector, and of more than five pieces.
 */
export function partsOfCompound(subject: string): string[] {
  const pieces = COMPOUND.test(subject) ? (subject.match(PIECE) ?? []) : []
  if (pieces.length < 2 || pieces.length > MOST_PIECES) return []
  const parts: string[][] = []
  for (let chosen = 2 ** pieces.length - 2; chosen > 0; chosen--)
    parts.push(pieces.filter((_, at) => chosen & (1 << (pieces.length - 1 - at))))
  return parts.toSorted((a, b) => b.length - a.length).map((part) => part.join(''))
}
