import type { Outcome, Piece, Resolver } from '../plan/outcome.ts'
import type { Part } from '../plan/reach.ts'
import { hasPseudoElement, limitedTo } from '../selector/limit.ts'
import { splitList } from '../selector/selector.ts'
import type { Occurrence } from '../source/occurrence.ts'
import type { Block, Declaration } from '../source/sheet/blocks.ts'
import type { Edit } from '../text/edit.ts'
import { type Declared, declarationFinder } from './declaration-finder.ts'
import { becomesSolid, gradientOf, imageBehind } from './declarations.ts'
import { literalFor } from './in-place.ts'
import { placed } from './layout.ts'
import { family, inOrder, type Layer, type Parted } from './part-order.ts'

/** A rule that is written for a part of what another paints. */
export interface Split<O extends Occurrence = Occurrence> {
  /** Those that it paints otherwise. */
  readonly occurrences: readonly O[]
  readonly edit: Edit
}

/** A part that could not be written, or not as a gradient, and why. */
export interface Unsplit<O extends Occurrence = Occurrence> {
  readonly occurrence: O
  readonly piece: Piece
  /** `block`: no block of a rule holds its declaration as a whole; `selector`: its list is not written as it is read; `pseudo-element`: nothing can be nested in one; `gradient`: a gradient becomes a solid for its whole rule only; a solid that has more beside it takes the first stop alone. */
  readonly why: 'block' | 'selector' | 'pseudo-element' | 'gradient'
}

export interface Splits<O extends Occurrence = Occurrence> {
  readonly splits: readonly Split<O>[]
  readonly unsplit: readonly Unsplit<O>[]
}

/**
 * The rules that a plan writes for parts of what the rules of one file paint: each directly behind the rule that it is a part of, in the same
 * conditions and exactly as strong, so that it wins over that rule and over nothing else. It repeats the declaration, and those behind it
 * that the same shorthand covers.
 * @param text the file's, as received
 * @param blocks of the file; asked for only when there is something to write
 */
export function splitsOf<O extends Occurrence>(
  text: string,
  occurrences: readonly O[],
  resolver: Resolver,
  blocks: () => readonly Block[],
): Splits<O> {
  const wanted = occurrences.flatMap((occurrence) => {
    const pieces = writtenPieces(occurrence, resolver)
    return pieces.length > 0 ? [{ occurrence, pieces }] : []
  })
  if (wanted.length === 0) return { splits: [], unsplit: [] }
  const unsplit: Unsplit<O>[] = []
  const byBlock = new Map<Block, Parted<O>[]>()
  const declaredAt = declarationFinder(blocks())
  for (const { occurrence, pieces } of wanted) {
    const declared = declaredAt(occurrence.range.start)
    const whole = resolver.outcome(occurrence)
    const written: Layer[] = []
    let isOverGradient = whole.kind === 'gradient'
    for (const piece of pieces) {
      const outcomes = [piece.outcome, whole]
      const why = declared ? unwritten(text, declared.block, occurrence, piece.part, outcomes) : 'block'
      if (!declared || why) {
        unsplit.push({ occurrence, piece, why: why ?? 'block' })
        continue
      }
      written.push({ ...piece, isOverGradient })
      if (piece.outcome.kind === 'gradient') isOverGradient = true
      // It takes its first stop alone then, as a whole rule does.
      if (isWithoutImage(text, declared, occurrence, piece)) unsplit.push({ occurrence, piece, why: 'gradient' })
    }
    if (!declared || written.length === 0) continue
    const { block, declaration } = declared
    const parted = { occurrence, declaration, pieces: written }
    const known = byBlock.get(block)
    if (known) known.push(parted)
    else byBlock.set(block, [parted])
  }
  if (byBlock.size === 0) return { splits: [], unsplit }
  const held = new Map<Declaration, O[]>()
  for (const occurrence of occurrences) {
    const declared = declaredAt(occurrence.range.start)
    if (!declared || !byBlock.has(declared.block)) continue
    const known = held.get(declared.declaration)
    if (known) known.push(occurrence)
    else held.set(declared.declaration, [occurrence])
  }
  const splits = [...byBlock].flatMap(([block, parted]) =>
    inOrder(parted).map((group) => splitOf(text, block, group, held, resolver)),
  )
  return { splits, unsplit }
}

/** The pieces of a place that write something else than the rest of it, or than what a weaker piece wrote. */
export function writtenPieces(occurrence: Occurrence, resolver: Resolver): readonly Piece[] {
  const pieces = resolver.pieces(occurrence)
  if (pieces.length === 0) return []
  const rest = writtenFor(occurrence, resolver.outcome(occurrence))
  const first = pieces.findIndex(({ outcome }) => writtenFor(occurrence, outcome) !== rest)
  return first < 0 ? [] : pieces.slice(first)
}

/** By what two outcomes of one place are told apart. */
function writtenFor(occurrence: Occurrence, outcome: Outcome): string {
  const { text } = literalFor(occurrence, outcome)
  return outcome.kind === 'gradient' ? `${text} ${gradientOf(outcome)}` : text
}

/** Whether the new rule stands in the block: what stands nested in it is as strong, and must stay behind. */
function goesInside({ kind, holdsConditions }: Block): boolean {
  return kind === 'within' || holdsConditions
}

/** Whether a part that becomes a gradient cannot have it behind its solid. */
function isWithoutImage<O extends Occurrence>(text: string, declared: Declared, occurrence: O, piece: Piece): boolean {
  return piece.outcome.kind === 'gradient' && imageBehind(text, declared, occurrence, '') === null
}

/** @param outcomes of the piece and of the whole place */
function unwritten<O extends Occurrence>(
  text: string,
  block: Block,
  occurrence: O,
  part: Part,
  outcomes: readonly Outcome[],
): Unsplit['why'] | null {
  if (outcomes.some((outcome) => becomesSolid(occurrence, outcome))) return 'gradient'
  if (goesInside(block)) return splitList(occurrence.selector ?? '').some(hasPseudoElement) ? 'pseudo-element' : null
  const written = splitList(text.slice(block.head.start, block.head.end))
  return part.selectors.every(({ at }) => at < written.length) &&
    written.length === splitList(occurrence.selector ?? '').length
    ? null
    : 'selector'
}

/** @param held the places that declarations of the block hold, in their order */
function splitOf<O extends Occurrence>(
  text: string,
  block: Block,
  pieces: ReadonlyMap<O, Layer>,
  held: ReadonlyMap<Declaration, readonly O[]>,
  resolver: Resolver,
): Split<O> {
  const [first, piece] = [...pieces][0] as [O, Layer]
  const { part } = piece
  const outcomeOf = (occurrence: O) => pieces.get(occurrence)?.outcome ?? resolver.outcome(occurrence)
  const isTaken = (declaration: Declaration) => held.get(declaration)?.some((each) => pieces.has(each)) === true
  // A gradient that lies under a part is not the image of it.
  const behind = (declaration: Declaration) => {
    const [occurrence] = held.get(declaration) ?? []
    const outcome = occurrence && outcomeOf(occurrence)
    if (!occurrence || !outcome) return ''
    const image =
      outcome.kind === 'gradient' ? gradientOf(outcome) : pieces.get(occurrence)?.isOverGradient ? 'none' : null
    return image === null ? '' : (imageBehind(text, { block, declaration }, occurrence, image) ?? '')
  }
  const declarations = repeated(block, isTaken).map((declaration) => {
    let written = ''
    let at = declaration.start
    for (const occurrence of held.get(declaration) ?? []) {
      written += text.slice(at, occurrence.range.start) + literalFor(occurrence, outcomeOf(occurrence)).text
      at = occurrence.range.end
    }
    return written + text.slice(at, declaration.end) + behind(declaration)
  })
  const inside = goesInside(block)
  const selector = inside ? nestedSelector(part, first.selector ?? '') : behindSelector(text, block, part)
  const at = inside ? endOfOwn(text, block, [...pieces.keys()]) : block.body.end + 1
  return {
    occurrences: [...pieces.keys()],
    edit: {
      kind: 'split-rule',
      range: { start: at, end: at },
      replacement: placed(text, block, at, inside, { selector, declarations, width: part.width }),
      decisions: [...new Set([...pieces.values()].map(({ outcome }) => outcome.decision.id))],
    },
  }
}

/** Behind the last declaration of a block that stands before what is nested behind some places. */
function endOfOwn(text: string, { declarations, nested, body }: Block, places: readonly Occurrence[]): number {
  const last = places.reduce((most, { range }) => Math.max(most, range.end), 0)
  const next = nested.find((each) => each >= last) ?? body.end
  const end = declarations.reduce((most, each) => (each.end <= next ? Math.max(most, each.end) : most), last)
  return end + (/^\s*;/.exec(text.slice(end, next))?.[0].length ?? 0)
}

/** The declarations that are taken, and those behind them that set some of the same: a shorthand would undo them. Linear. */
function repeated({ declarations }: Block, isTaken: (declaration: Declaration) => boolean): Declaration[] {
  const families = new Set<string>()
  return declarations.filter((declaration) => {
    const own = family(declaration.property)
    if (isTaken(declaration)) families.add(own)
    return families.has(own)
  })
}

/** As written in the head, the selectors that are taken. */
function behindSelector(text: string, block: Block, part: Part): string {
  const written = splitList(text.slice(block.head.start, block.head.end))
  return part.selectors.map(({ at, within }) => limitedTo(written[at] ?? '', within)).join(', ')
}

/** From within its own block. */
function nestedSelector({ selectors }: Part, list: string): string {
  const [first] = selectors
  const alike = selectors.every(({ within }) => within.join() === first?.within.join())
  if (alike && selectors.length === splitList(list).length) return limitedTo('&', first?.within ?? [])
  return `&:where(${selectors.map(({ text, within }) => limitedTo(text, within)).join(', ')})`
}
