import { toHex } from '../color/color.ts'
import { isStop } from '../plan/decision.ts'
import { isRewritten, type Outcome } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import type { Declaration } from '../source/sheet/rules.ts'
import { bareRange } from '../source/value/value.ts'
import type { Edit } from '../text/edit.ts'
import type { Range } from '../text/range.ts'
import { type Corrected, editOf } from './corrections.ts'
import { type LiteralChange, literalEdits, literalFor } from './literals.ts'
import type { WhyUnwritten } from './unwritten.ts'

/** A declaration with everything in it that a plan may change, in the order of the text. */
export interface Holding<P extends Occurrence> {
  readonly declaration: Declaration
  readonly places: readonly P[]
  readonly slips: readonly Corrected[]
  /** Whether its rule says already what image its ground has, and be it none: one of both would not be seen. */
  readonly hasImage: boolean
}

/** What of a holding is written, and how it is told. */
export interface Written<P extends Occurrence> {
  readonly edit: Edit
  readonly literals: readonly LiteralChange<P>[]
  /** A slip that is put right. */
  readonly slip: Corrected | null
}

/** All that becomes of one declaration. */
export interface DeclarationChange<P extends Occurrence> {
  /** Within it, in the order of the text. */
  readonly written: readonly Written<P>[]
  /** What is declared behind it; empty: nothing. */
  readonly behind: string
  /** For whom that is. */
  readonly behindFor: LiteralChange<P> | null
  readonly unwritten: readonly { readonly place: P; readonly outcome: Outcome; readonly why: WhyUnwritten }[]
}

/** Whether a stop of a gradient asks for a solid in place of the whole of it. */
export function becomesSolid(place: Occurrence, outcome: Outcome): boolean {
  return 'color' in outcome && outcome.kind !== 'gradient' && outcome.decision.solid === true && isStop(place)
}

/** The image that stands behind a solid that becomes a gradient. */
function gradientOf({ stops, angle }: Extract<Outcome, { kind: 'gradient' }>): string {
  return `linear-gradient(${angle}deg, ${stops.map(toHex).join(', ')})`
}

/** By what two outcomes of one place are told apart in what they write. */
export function writtenFor(place: Occurrence, outcome: Outcome): string {
  const text = literalFor(place, outcome).text
  return outcome.kind === 'gradient' ? `${text} ${gradientOf(outcome)}` : text
}

/**
 * What a declaration becomes, all that changes of it together: its literals and slips, a solid in place of its gradient, a gradient behind its
 * solid. Where a slip and a literal are of the same text, the slip is put right; what becomes solid takes the slips in it with it.
 * @param text the file's, as received
 * @param isUnder whether the gradient of a weaker rule lies under what a place becomes, so that it needs none declared
 */
export function changeOf<P extends Occurrence>(
  text: string,
  { declaration, places, slips, hasImage }: Holding<P>,
  outcomeOf: (place: P) => Outcome,
  isUnder: (place: P) => boolean = () => false,
): DeclarationChange<P> {
  const unwritten: { place: P; outcome: Outcome; why: WhyUnwritten }[] = []
  const bare = bareRange(text.slice(declaration.value.start, declaration.value.end))
  const value = { start: declaration.value.start + bare.start, end: declaration.value.start + bare.end }
  const solid = places.find((place) => becomesSolid(place, outcomeOf(place)))
  if (solid) {
    const outcome = outcomeOf(solid)
    if ('color' in outcome && isOneGradient(text.slice(value.start, value.end)))
      return { ...solidOf(text, declaration, value, solid, outcome, slips), behind: '', behindFor: null, unwritten }
    unwritten.push({ place: solid, outcome, why: 'gradient' })
  }
  const literals: LiteralChange<P>[] = []
  let behind = ''
  let behindFor: LiteralChange<P> | null = null
  for (const place of places) {
    const outcome = outcomeOf(place)
    const change = literalChange(place, outcome)
    if (change.text !== place.raw && !slips.some(({ correction }) => meet(correction.range, place.range)))
      literals.push(change)
    const image = outcome.kind === 'gradient' ? gradientOf(outcome) : isUnder(place) ? 'none' : null
    if (image === null) continue
    if (hasImage || value.start !== place.range.start || value.end !== place.range.end) {
      // It takes its first stop alone then.
      if (outcome.kind === 'gradient') unwritten.push({ place, outcome, why: 'gradient' })
    } else {
      behind = `; background-image: ${image}${text.slice(value.end, declaration.end)}`
      behindFor = change
    }
  }
  const written: Written<P>[] = [
    ...literalEdits(text, literals).map(({ edit, changes }) => ({ edit, literals: changes, slip: null })),
    ...slips.map((slip) => ({ edit: editOf(slip), literals: [], slip })),
  ]
  return { written: written.toSorted(byPlace), behind, behindFor, unwritten }
}

/** The literal of a place under an outcome. One that stays has no decisions. */
export function literalChange<P extends Occurrence>(place: P, outcome: Outcome): LiteralChange<P> {
  const decisions = isRewritten(outcome) && 'decision' in outcome ? [outcome.decision.id] : []
  return { ...literalFor(place, outcome), place, decisions }
}

/** A color in place of a gradient; of `background-image` it is declared beside it. */
function solidOf<P extends Occurrence>(
  text: string,
  declaration: Declaration,
  value: Range,
  place: P,
  outcome: Extract<Outcome, { readonly color: unknown }>,
  slips: readonly Corrected[],
): Pick<DeclarationChange<P>, 'written'> {
  const color = toHex(outcome.color)
  const isImage = /-image$/i.test(declaration.property)
  const replacement = isImage ? `none${text.slice(value.end, declaration.end)}; background-color: ${color}` : color
  const [inside, outside] = [slips.filter((slip) => isIn(slip, value)), slips.filter((slip) => !isIn(slip, value))]
  const decisions = [outcome.decision.id, ...inside.flatMap((slip) => slip.decisions)]
  const edit: Edit = { kind: 'change-declaration', range: value, replacement, decisions: [...new Set(decisions)] }
  const literal = { place, text: replacement, kept: false, decisions: edit.decisions }
  const written: Written<P>[] = [
    { edit, literals: [literal], slip: null },
    ...outside.map((slip) => ({ edit: editOf(slip), literals: [], slip })),
  ]
  return { written: written.toSorted(byPlace) }
}

/** The text of a declaration after what becomes of it. */
export function textAfter<P extends Occurrence>(
  text: string,
  { start, end }: Range,
  { written, behind }: DeclarationChange<P>,
): string {
  let after = ''
  let at = start
  for (const { edit } of written) {
    after += text.slice(at, edit.range.start) + edit.replacement
    at = edit.range.end
  }
  return after + text.slice(at, end) + behind
}

/** Whether some declarations of one rule say what image its ground has. */
export function declaresImage(text: string, declarations: readonly Declaration[]): boolean {
  return declarations.some(
    ({ property, start, end }) =>
      /^background-image$/i.test(property) ||
      (/^background$/i.test(property) && /(?:url|image|image-set|gradient)\(/i.test(text.slice(start, end))),
  )
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

function meet(a: Range, b: Range): boolean {
  return a.start < b.end && b.start < a.end
}

function isIn({ correction: { range } }: Corrected, outer: Range): boolean {
  return meet(range, outer)
}

function byPlace(a: { readonly edit: Edit }, b: { readonly edit: Edit }): number {
  return a.edit.range.start - b.edit.range.start
}
