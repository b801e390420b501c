import { toHex } from '../color/color.ts'
import { isStop } from '../plan/decision.ts'
import type { Outcome, Resolver } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import type { Block, Declaration } from '../source/sheet/blocks.ts'
import type { Edit } from '../text/edit.ts'
import type { Range } from '../text/range.ts'
import { type Declared, declarationFinder } from './declaration-finder.ts'

/** Declarations that become others, beside the literals in them. */
export interface DeclarationChanges<O extends Occurrence = Occurrence> {
  readonly edits: readonly Edit[]
  /** Places whose literals go with the declaration that they stand in. */
  readonly swallowed: ReadonlySet<O>
  /** What was decided and stays: the background has more in it than the color or the gradient, or no rule holds it as a whole. */
  readonly unwritten: readonly O[]
}

/** Whether a stop of a gradient asks for a solid in place of the whole of it. */
export function becomesSolid(place: Occurrence, outcome: Outcome): boolean {
  return 'color' in outcome && outcome.kind !== 'gradient' && outcome.decision.solid === true && isStop(place)
}

/** The image that stands behind a solid that becomes a gradient. */
export function gradientOf({ stops, angle }: Extract<Outcome, { kind: 'gradient' }>): string {
  return `linear-gradient(${angle}deg, ${stops.map(toHex).join(', ')})`
}

/**
 * What a declaration is followed by where an image is declared behind its solid, with its own `!important`. null: the background has more in it
 * than the solid, or the rule has an image already, whose place it would take.
 */
export function imageBehind(
  text: string,
  { block, declaration }: Declared,
  { range }: Occurrence,
  image: string,
): string | null {
  const value = valueRangeOf(text, declaration)
  if (!value || value.start !== range.start || value.end !== range.end || hasImage(text, block)) return null
  return `; background-image: ${image}${text.slice(value.end, declaration.end)}`
}

/**
 * The edits that make gradients of solids and solids of gradients. A gradient is declared behind the solid, which stays for browsers and
 * moments that show none; a solid takes the place of the value, and of `background-image` the color is declared beside it.
 * @param blocks of the file; asked for only when there is something to write
 */
export function declarationChanges<O extends Occurrence>(
  text: string,
  occurrences: readonly O[],
  { outcome }: Pick<Resolver, 'outcome'>,
  blocks: () => readonly Block[],
): DeclarationChanges<O> {
  const wanted = occurrences.flatMap((place) => {
    const own = outcome(place)
    return own.kind === 'gradient' || becomesSolid(place, own) ? [{ place, own }] : []
  })
  const edits: Edit[] = []
  const unwritten: O[] = []
  if (wanted.length === 0) return { edits, swallowed: new Set(), unwritten }
  const declaredAt = declarationFinder(blocks())
  const solids: Range[] = []
  for (const { place, own } of wanted) {
    const { start } = place.range
    // The stops of a gradient go together: the first that asks for it has taken the others with it.
    if (!('decision' in own) || start < (solids.at(-1)?.end ?? 0)) continue
    const declared = declaredAt(start)
    const decisions = [own.decision.id]
    if (own.kind === 'gradient') {
      const replacement = declared && imageBehind(text, declared, place, gradientOf(own))
      if (!replacement) unwritten.push(place)
      else {
        const at = declared.declaration.end
        edits.push({ kind: 'change-declaration', range: { start: at, end: at }, replacement, decisions })
      }
      continue
    }
    const declaration = declared?.declaration
    const value = declaration && valueRangeOf(text, declaration)
    if (value && 'color' in own && isOneGradient(text.slice(value.start, value.end))) {
      const color = toHex(own.color)
      const isImage = /-image$/i.test(declaration.property)
      const replacement = isImage ? `none${text.slice(value.end, declaration.end)}; background-color: ${color}` : color
      edits.push({ kind: 'change-declaration', range: value, replacement, decisions })
      solids.push(value)
    } else unwritten.push(place)
  }
  return { edits, swallowed: within(occurrences, solids), unwritten }
}

/** Whether a rule says already what image its ground has, and be it none: one of both would not be seen. */
function hasImage(text: string, { declarations }: Block): boolean {
  return declarations.some(
    ({ property, start, end }) =>
      /^background-image$/i.test(property) ||
      (/^background$/i.test(property) && /(?:url|image|image-set|gradient)\(/i.test(text.slice(start, end))),
  )
}

/** The places within some ranges; both in the order of the text. */
function within<O extends Occurrence>(occurrences: readonly O[], ranges: readonly Range[]): Set<O> {
  let at = 0
  return new Set(
    occurrences.filter(({ range }) => {
      while (range.start >= (ranges[at]?.end ?? Number.POSITIVE_INFINITY)) at++
      return range.start >= (ranges[at]?.start ?? Number.POSITIVE_INFINITY)
    }),
  )
}

/** Of a declaration: its value, without white space around it and without `!important`. */
function valueRangeOf(text: string, { start, end, property }: Declaration): Range | null {
  const colon = text.indexOf(':', start + property.length)
  if (colon < 0 || colon >= end) return null
  const written = text.slice(colon + 1, end)
  const value = written.replace(/\s*!\s*important\s*$/i, '')
  const from = colon + 1 + (value.length - value.trimStart().length)
  return { start: from, end: from + value.trim().length }
}

/** Whether a value is one gradient and nothing else. */
function isOneGradient(value: string): boolean {
  if (!/^[\w-]*gradient\(/i.test(value) || !value.endsWith(')')) return false
  let depth = 0
  for (let at = 0; at < value.length; at++) {
    if (value[at] === '(') depth++
    else if (value[at] === ')' && --depth === 0) return at === value.length - 1
  }
  return false
}
