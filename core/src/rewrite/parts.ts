import type { Outcome, PartOutcome, Resolver } from '../plan/outcome.ts'
import type { RulePart } from '../plan/reach.ts'
import { hasPseudoElement, limitedTo } from '../selector/limit.ts'
import { splitList } from '../selector/selector.ts'
import type { Occurrence } from '../source/occurrence.ts'
import type { WrittenRule } from '../source/read.ts'
import type { Declaration } from '../source/sheet/rules.ts'
import type { Edit } from '../text/edit.ts'
import { lineEndOf } from '../text/lines.ts'
import { becomesSolid, changeOf, textAfter, writtenFor } from './declaration.ts'
import type { HoldingRule, Holdings } from './holdings.ts'
import { placed } from './layout.ts'
import { literalFor } from './literals.ts'
import { family, inOrder, type Parted, type WrittenPart } from './rule-order.ts'
import type { Unwritten, WhyUnwritten } from './unwritten.ts'

/** A rule that is written for a part of what another paints. */
export interface PartRule<P extends Occurrence = Occurrence> {
  /** Those that it paints otherwise, each as it is written there. */
  readonly pieces: ReadonlyMap<P, WrittenPart>
  readonly edit: Edit
}

export interface PartRules<P extends Occurrence> {
  readonly rules: readonly PartRule<P>[]
  readonly unwritten: readonly Unwritten<P>[]
}

/**
 * The rules that a plan writes for parts of what the rules of one file paint: each directly behind the rule that it is a part of, in the same
 * conditions and exactly as strong, so that it wins over that rule and over nothing else. It repeats the declaration, and those behind it
 * that the same shorthand covers, slips in them put right.
 * @param text the file's, as received
 */
export function partRules<P extends Occurrence>(
  text: string,
  places: readonly P[],
  holderOf: Holdings<P>['holderOf'],
  resolver: Resolver,
): PartRules<P> {
  const unwritten: Unwritten<P>[] = []
  const byRule = new Map<HoldingRule<P>, Parted<P>[]>()
  for (const place of places) {
    const pieces = writtenPieces(place, resolver)
    if (pieces.length === 0) continue
    const holder = holderOf(place)
    const whole = resolver.outcome(place)
    const written: WrittenPart[] = []
    let isOverGradient = whole.kind === 'gradient'
    for (const piece of pieces) {
      const why = holder ? whyUnwritten(text, holder.held, place, piece, whole) : 'block'
      if (why) {
        unwritten.push({ of: 'place', place, part: piece.part, why, decision: piece.outcome.decision.id })
        continue
      }
      written.push({ ...piece, isOverGradient, written: literalFor(place, piece.outcome) })
      if (piece.outcome.kind === 'gradient') isOverGradient = true
    }
    if (!holder || written.length === 0) continue
    const { held, declaration } = holder
    const known = byRule.get(held) ?? []
    known.push({ occurrence: place, declaration, pieces: written })
    byRule.set(held, known)
  }
  // Looked for once: a sheet may be one long line.
  const lineEnd = lineEndOf(text)
  const rules = [...byRule].flatMap(([held, parted]) =>
    inOrder(parted).map((group) => partRule(text, held, group, resolver, lineEnd, unwritten)),
  )
  return { rules, unwritten }
}

/** The pieces of a place that write something else than the rest of it, or than what a weaker piece wrote. */
export function writtenPieces(place: Occurrence, resolver: Resolver): readonly PartOutcome[] {
  const pieces = resolver.pieces(place)
  if (pieces.length === 0) return []
  const rest = writtenFor(place, resolver.outcome(place))
  const first = pieces.findIndex(({ outcome }) => writtenFor(place, outcome) !== rest)
  return first < 0 ? [] : pieces.slice(first)
}

/** Whether the new rule stands in the block: what stands nested in it is as strong, and must stay behind. */
function goesInside({ kind, holdsConditions }: WrittenRule): boolean {
  return kind !== 'rule' || holdsConditions
}

function whyUnwritten<P extends Occurrence>(
  text: string,
  { rule }: HoldingRule<P>,
  place: P,
  { part, outcome }: PartOutcome,
  whole: Outcome,
): WhyUnwritten | null {
  if ([outcome, whole].some((each) => becomesSolid(place, each))) return 'gradient'
  if (rule.hasTags) return 'template'
  const list = splitList(place.selector ?? '')
  // What extends another stands at the end of its selector (Less).
  if (list.some((each) => /:extend\(/i.test(each))) return 'selector'
  if (goesInside(rule)) return list.some(hasPseudoElement) ? 'pseudo-element' : null
  const written = splitList(text.slice(rule.head.start, rule.head.end))
  return part.selectors.every(({ at }) => at < written.length) && written.length === list.length ? null : 'selector'
}

function partRule<P extends Occurrence>(
  text: string,
  { rule, holdings }: HoldingRule<P>,
  pieces: ReadonlyMap<P, WrittenPart>,
  resolver: Resolver,
  lineEnd: string,
  unwritten: Unwritten<P>[],
): PartRule<P> {
  const [first, { part }] = [...pieces][0] as [P, WrittenPart]
  const outcomeOf = (place: P) => pieces.get(place)?.outcome ?? resolver.outcome(place)
  // A gradient that lies under a part is not the image of it.
  const isUnder = (place: P) => pieces.get(place)?.isOverGradient === true
  const isTaken = (declaration: Declaration) =>
    holdings.get(declaration)?.places.some((each) => pieces.has(each)) === true
  const decisions = new Set([...pieces.values()].map(({ outcome }) => outcome.decision.id))
  const declarations = repeated(rule, isTaken).map((declaration) => {
    const held = holdings.get(declaration)
    if (!held) return text.slice(declaration.start, declaration.end)
    const change = changeOf(text, held, outcomeOf, isUnder)
    for (const { place, outcome, why } of change.unwritten)
      if (pieces.has(place) && 'decision' in outcome)
        unwritten.push({ of: 'place', place, part, why, decision: outcome.decision.id })
    return textAfter(text, declaration, change)
  })
  const inside = goesInside(rule)
  const selector = inside ? nestedSelector(part, first.selector ?? '') : behindSelector(text, rule, part)
  const at = inside ? endOfOwn(text, rule, [...pieces.keys()]) : rule.body.end + 1
  const replacement = placed(text, rule, at, inside, { selector, declarations, width: part.width, lineEnd })
  return { pieces, edit: { kind: 'split-rule', range: { start: at, end: at }, replacement, decisions: [...decisions] } }
}

/** Offset behind the last own declaration of a block before the first block nested behind the given places: a rule for a part is put there. */
function endOfOwn(text: string, { declarations, nested, body }: WrittenRule, places: readonly Occurrence[]): number {
  const last = places.reduce((most, { range }) => Math.max(most, range.end), 0)
  const next = nested.find((each) => each >= last) ?? body.end
  const end = declarations.reduce((most, each) => (each.end <= next ? Math.max(most, each.end) : most), last)
  return end + (/^\s*;/.exec(text.slice(end, next))?.[0].length ?? 0)
}

/** The declarations that are taken, and those behind them that set some of the same: a shorthand would undo them. Linear. */
function repeated({ declarations }: WrittenRule, isTaken: (declaration: Declaration) => boolean): Declaration[] {
  const families = new Set<string>()
  return declarations.filter((declaration) => {
    const own = family(declaration.property)
    if (isTaken(declaration)) families.add(own)
    return families.has(own)
  })
}

/** As written in the head, the selectors that are taken. */
function behindSelector(text: string, { head }: WrittenRule, part: RulePart): string {
  const written = splitList(text.slice(head.start, head.end))
  return part.selectors.map(({ at, within }) => limitedTo(written[at] ?? '', within)).join(', ')
}

/** The selector of a rule for a part that is nested in the block of the rule itself. */
function nestedSelector({ selectors }: RulePart, list: string): string {
  const [first] = selectors
  const alike = selectors.every(({ within }) => within.join() === first?.within.join())
  if (alike && selectors.length === splitList(list).length) return limitedTo('&', first?.within ?? [])
  return `&:where(${selectors.map(({ text, within }) => limitedTo(text, within)).join(', ')})`
}
