import { opaqueKey } from '../color/color.ts'
import { type Notation, parseInNotation } from '../color/literal.ts'
import { type Finding, isFault, MOST_FINDINGS } from '../text/finding.ts'
import { lineStarts, positionAt } from '../text/lines.ts'
import type { Range } from '../text/range.ts'
import type { SourceText } from '../text/source-text.ts'
import type { Behavior, BehaviorFacts } from './behavior.ts'
import type { Embedded } from './embedded.ts'
import type {
  ChannelTriple,
  ColorSource,
  Computed,
  Context,
  Definition,
  Inner,
  Keyword,
  Occurrence,
  OuterContext,
  PlacedFinding,
  Reading,
  Reference,
  Remedy,
  Use,
} from './occurrence.ts'
import type { Place } from './place.ts'
import type { Rule, SheetEnd } from './sheet/rules.ts'
import type { LinkFacts, SourceLink } from './source-link.ts'
import { decodeLiteral } from './value/data-url.ts'
import { computingFunction } from './value/functions.ts'
import { nearestHex } from './value/slip.ts'
import type { ValueHit } from './value/value-hit.ts'
import type { Link } from './value/variable.ts'

/** Reads a text as markup. @param xml whether names keep their case, as in a drawing */
export type MarkupReader = (at: Embedded, outer: OuterContext, xml: boolean, emitter: Emitter) => void

/** Takes what readers find in one file and places it. */
export interface Emitter {
  readonly source: SourceText
  /** @param source what gives a `currentcolor` its color, where that is known */
  hit(at: Embedded, offset: number, hit: ValueHit, context: Context, source?: ColorSource | null): void
  /** Three bare numbers that a variable holds. */
  triple(at: Embedded, start: number, end: number, context: Context): void
  definition(at: Embedded, start: number, end: number, defined: Omit<Definition, keyof Place>): void
  /** @param offset of the value that takes the variable */
  reference(at: Embedded, offset: number, link: Link, context: Context): void
  /** The file begins a page. @param roots by which selectors that element can be told */
  document(roots: readonly string[]): void
  link(at: Embedded, start: number, end: number, facts: LinkFacts): void
  behavior(at: Embedded, start: number, end: number, facts: BehaviorFacts): void
  /** Set by those who ask for the rules of sheets and nothing else. */
  readonly rules?: RuleListener
  /** Reads markup that stands within another language: a drawing in an address, a string of code. */
  readonly readMarkup: MarkupReader
  /** @param slip what was likely meant, where something was */
  finding(at: Embedded, code: Finding['code'], start: number, end: number, slip?: Slipped): void
}

/** The same for text that a program puts together: what seems broken in a piece of it, or begun at its end, may be whole, and is no finding. */
export function ofPieces(emitter: Emitter): Emitter {
  return {
    ...emitter,
    finding(at, code, start, end, slip) {
      const isBroken = isFault(code) && code !== 'drawing-not-reversible'
      const isBegun = slip?.meaning === null && end === at.text.length
      if (!isBroken && !isBegun) emitter.finding(at, code, start, end, slip)
    },
  }
}

/** Told of each rule of a sheet when it has ended, and of the end of each sheet. */
export interface RuleListener {
  rule(at: Embedded, rule: Rule): void
  end(end: SheetEnd): void
}

/** Whether a color is read in the file as well as in the text that it was found in: code within it may not be told from the rest, and nothing be written around that. */
function isReadAgain(raw: string, read: string, notation: Notation): boolean {
  return raw === read || parseInNotation(decodeLiteral(raw), notation) !== null
}

/** A value that was meant as a color. */
export interface Slipped {
  readonly meaning: string | null
  /** What it would paint. */
  readonly use: Use
  /** What is written anew to put it right; offsets in the text that it was found in. */
  readonly wrong: Range
}

const EXCERPT = 60

/** Reads one file. @param readMarkup reads markup that stands within other languages @param rules told of the rules of sheets, where nothing else is asked for */
export function collect(
  source: SourceText,
  read: (emitter: Emitter) => void,
  readMarkup: MarkupReader,
  rules?: RuleListener,
): Reading {
  const starts = lineStarts(source.text)
  const occurrences: Occurrence[] = []
  const keywords: Keyword[] = []
  const computed: Computed[] = []
  const definitions: Definition[] = []
  const references: Reference[] = []
  const triples: ChannelTriple[] = []
  const links: SourceLink[] = []
  let isDocument = false
  const roots = new Set<string>()
  const behaviors: Behavior[] = []
  const findings: FoundSlip[] = []
  let untold = 0
  const place = (at: Embedded, from: number, to: number): Place => {
    const own = { start: at.toSource(from), end: at.toSource(to) }
    const [range, text] = at.drawing?.encoding === 'base64' ? [at.drawing.payload, at.drawing.text] : [own, source.text]
    const { line, column } = positionAt(starts, range.start)
    return { range, line, column, raw: text.slice(own.start, own.end) }
  }
  const emitter: Emitter = {
    source,
    hit(at, offset, { start, end, found, functions, confidence, isWhole }, context, source = null) {
      const entry = entryOf(place(at, offset + start, offset + end), context)
      if ('keyword' in found) keywords.push(Object.assign(entry, { keyword: found.keyword, source }))
      else if ('computedBy' in found) computed.push(Object.assign(entry, { computedBy: found.computedBy }))
      else if (
        found.alphaIsOpen &&
        !isReadAgain(entry.raw, at.text.slice(offset + start, offset + end), found.notation)
      )
        computed.push(Object.assign(entry, { computedBy: found.notation }))
      else
        occurrences.push(
          Object.assign(entry, {
            notation: found.notation,
            color: opaqueKey(found.color),
            alpha: found.alphaIsOpen ? null : found.color.alpha,
            functions,
            computedWith: functions.length === 0 ? null : computingFunction(functions),
            confidence,
            isWhole,
            inner: at.drawing && innerOf(at, offset + start, offset + end),
          }),
        )
    },
    triple(at, start, end, context) {
      triples.push(entryOf(place(at, start, end), context))
    },
    definition(at, start, end, { name, selector, atRules }) {
      const { range, line, column, raw } = place(at, start, end)
      definitions.push({ range, line, column, raw, name, selector, atRules })
    },
    // Written out as `entryOf`.
    reference(at, offset, { start, end, name, channelsOf, taken }, context) {
      const { range, line, column, raw } = place(at, offset + start, offset + end)
      references.push({
        name,
        channelsOf,
        taken,
        property: context.property,
        use: context.use,
        selector: context.selector,
        subjects: context.subjects,
        signals: context.signals,
        specificity: context.specificity,
        atRules: context.atRules,
        important: context.important,
        variable: context.variable,
        range,
        line,
        column,
        raw,
      })
    },
    document(told) {
      isDocument = true
      for (const each of told) roots.add(each)
    },
    link(at, start, end, { kind, target, media, condition, applies }) {
      const { range, line, column, raw } = place(at, start, end)
      // Of a style element nobody wants the whole text a second time.
      links.push({ range, line, column, raw: kind === 'style' ? '' : raw, kind, target, media, condition, applies })
    },
    behavior(at, start, end, facts) {
      const { range, line, column, raw } = place(at, start, end)
      const index = behaviors.findLastIndex((each) => each.line === line && complete(each, facts))
      const other = behaviors[index]
      if (other?.kind === 'recolor' && facts.kind === 'recolor')
        behaviors[index] = { ...other, above: other.above ?? facts.above, below: other.below ?? facts.below }
      else behaviors.push({ ...facts, range, line, column, raw: raw.slice(0, EXCERPT) })
    },
    finding(at, code, start, end, slip) {
      if (findings.length > MOST_FINDINGS) {
        untold++
        return
      }
      const { range, line, column } = place(at, start, end)
      const excerpt = at.text.slice(start, Math.max(end, end - start > 1 ? end : start + EXCERPT)).slice(0, EXCERPT)
      // In an encoded drawing a remedy would have to be encoded, too.
      const wrong = slip && !at.drawing ? { ...place(at, slip.wrong.start, slip.wrong.end), use: slip.use } : null
      findings.push({ code, range, line, column, excerpt, meaning: slip?.meaning ?? null, wrong })
    },
    readMarkup,
    ...(rules ? { rules } : {}),
  }
  read(emitter)
  for (const list of [occurrences, keywords, computed, definitions, references, triples, links, behaviors, findings])
    list.sort(byPlace)
  const last = findings.length > MOST_FINDINGS ? findings.pop() : undefined
  if (last) findings.push({ ...last, code: 'and-more', excerpt: `${untold + 1} more`, meaning: null, wrong: null })
  return {
    occurrences,
    keywords,
    computed,
    definitions,
    references,
    triples,
    isDocument,
    roots: [...roots],
    links,
    behaviors,
    findings: findings.map((finding) => withRemedy(finding, occurrences)),
  }
}

/** Whether two are the halves of one thing that is done: `onmouseover` and `onmouseout` of an element. */
function complete(a: BehaviorFacts, b: BehaviorFacts): boolean {
  if (a.kind !== 'recolor' || b.kind !== 'recolor' || (a.above === null) === (b.above === null)) return false
  return a.trigger === b.trigger && a.element === b.element && a.property === b.property && a.threshold === b.threshold
}

/** A finding whose remedy is not yet known. */
type FoundSlip = Omit<PlacedFinding, 'remedy'> & { readonly wrong: (Place & Pick<Remedy, 'use'>) | null }

/** A hex value with a digit lost or one too many likely means a color that the file has elsewhere. */
function withRemedy({ wrong, ...finding }: FoundSlip, occurrences: readonly Occurrence[]): PlacedFinding {
  const isOpen = finding.code === 'hex-digits' && finding.meaning === null
  const meaning = isOpen ? nearestHex(finding.excerpt, colorCounts(occurrences)) : finding.meaning
  return { ...finding, meaning, remedy: wrong && meaning !== null ? { ...wrong, replacement: meaning } : null }
}

function colorCounts(occurrences: readonly Occurrence[]): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { color } of occurrences) counts.set(color, (counts.get(color) ?? 0) + 1)
  return counts
}

/** A place in its context. Written out: spreading both made for half the time of an audit. */
function entryOf({ range, line, column, raw }: Place, context: Context): Place & Context {
  return {
    range,
    line,
    column,
    raw,
    property: context.property,
    use: context.use,
    selector: context.selector,
    subjects: context.subjects,
    signals: context.signals,
    specificity: context.specificity,
    atRules: context.atRules,
    heading: context.heading,
    important: context.important,
    variable: context.variable,
    opacity: context.opacity,
    literalOnly: context.literalOnly,
    evidence: context.evidence,
  }
}

function innerOf(at: Embedded, start: number, end: number): Inner | null {
  if (at.drawing?.encoding !== 'base64') return at.drawing
  return { encoding: 'base64', range: { start: at.toSource(start), end: at.toSource(end) } }
}

/** By range; those within one payload by their ranges in it. */
function byPlace(a: InOrder, b: InOrder): number {
  return a.range.start - b.range.start || innerStart(a) - innerStart(b)
}

type InOrder = Pick<Place, 'range'> & { readonly inner?: Inner | null }

function innerStart({ inner }: InOrder): number {
  return inner?.encoding === 'base64' ? inner.range.start : 0
}
