import { parseSelectorList } from './parse.ts'

/** Of more simple selectors there would be too many parts. */
const MOST_SIMPLE = 5

/**
 * The subjects that all elements of a compound also belong to, the longest first: of `a.key.late` `a.key`, `a.late`, `.key.late`, `a`, `.key`, `.late`.
 * None of any other selector: one with a combinator, a pseudo-class or a function, or of more than five simple selectors.
 */
export function partsOfCompound(subject: string): string[] {
  // Nearly all others are told by a sign.
  if (/[\s>+~:,(*&%]/.test(subject.replace(/\[[^\]]*\]/g, ''))) return []
  const [compound, ...more] = parseSelectorList(subject)?.[0]?.compounds ?? []
  const simple = compound && more.length === 0 ? compound.simple : []
  if (simple.length < 2 || simple.length > MOST_SIMPLE) return []
  const parts: string[][] = []
  for (let chosen = 2 ** simple.length - 2; chosen > 0; chosen--)
    parts.push(simple.filter((_, at) => chosen & (1 << (simple.length - 1 - at))).map(({ text }) => text))
  return parts.toSorted((a, b) => b.length - a.length).map((part) => part.join(''))
}
