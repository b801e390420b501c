import type { FindingCode } from '../../text/finding.ts'
import type { Range } from '../../text/range.ts'
import { type Embedded, isAssembled } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { type Context, lessSure, type OuterContext } from '../occurrence.ts'
import { asset } from '../source-link.ts'
import { drawingOf, findDrawings, type Payload } from '../value/data-url.ts'
import { slipIn } from '../value/slip.ts'
import { findInValue, type ProgramPlace } from '../value/value.ts'
import type { ValueHit } from '../value/value-hit.ts'
import { type Link, linksIn, tripleIn } from '../value/variable.ts'
import { CSS, type Dialect } from './dialect.ts'
import { selectorReader } from './rule-selectors.ts'
import { type Declaration, isImportant, type Rule, scanRules, type Value } from './rules.ts'
import { type Address, addressesOf, IMPORTS, importsOf } from './sheet-links.ts'

/** A value in which something was found. */
interface FoundValue {
  readonly value: Value
  /** null: arguments of a head. */
  readonly declaration: Declaration | null
  readonly hits: readonly ValueHit[]
  readonly links: readonly Link[]
  readonly drawings: readonly Payload[]
  /** Three bare numbers that are all of a variable's value. */
  readonly triple: Range | null
}

/**
 * Reads a stylesheet, or the declarations of a style attribute, and reports every color in it: a view of its rules. Broken text costs its own
 * region. Linear in the text.
 */
export function readStylesheet(at: Embedded, outer: OuterContext, emitter: Emitter, dialect: Dialect = CSS): void {
  const text = dialect.prepare(at.text)
  const { rules } = emitter
  if (rules) {
    const rule = (each: Rule) => rules.rule(at, each)
    rules.end(scanRules(at.text, text, dialect, outer, { rule, statement() {}, fault() {} }))
    return
  }
  const readSelectors = selectorReader(text.length)
  const most = dialect.lexical ? lessSure('likely', outer.confidence) : outer.confidence
  const addresses = addressesOf(text)

  /** What a value holds; null: nothing. */
  const look = (value: Value, declaration: Declaration | null): FoundValue | null => {
    const { takes, use } = value.kind
    if (takes === 'none') return null
    const { start } = value.value
    const written = text.slice(start, value.value.end)
    // A drawing within a drawing is none that a browser shows.
    const drawings = at.drawing ? [] : findDrawings(written)
    const found = findInValue(written, takes, dialect.isProgram ? placeOf(value, declaration) : null)
    const isOutside = (hit: ValueHit) => drawings.every((each) => hit.end <= each.start || hit.start >= each.end)
    const hits = drawings.length === 0 ? found : found.filter(isOutside)
    if (!dialect.lexical && declaration && takes === 'color') {
      const slip = slipIn(value.property, value.kind, written, hits.length)
      if (slip && !isAssembled(at, withBlanks(at.text, value.value), emitter.source.text)) {
        const place = { start: start + slip.start, end: start + slip.end }
        // A gradient is what was meant; the property is what was not.
        const wrong = slip.code === 'gradient-as-color' ? declaration.name : place
        emitter.finding(at, slip.code, place.start, place.end, { meaning: slip.meaning, use, wrong })
      }
    }
    // A property that nobody knows to take a color takes no variable for one either; an argument may.
    const links = takes === 'unknown' && declaration ? [] : linksIn(written, hits)
    const triple = value.variable !== null && hits.length === 0 ? tripleIn(written) : null
    const isEmpty = hits.length === 0 && links.length === 0 && drawings.length === 0 && !triple
    return isEmpty ? null : { value, declaration, hits, links, drawings, triple }
  }

  const readDrawing = (payload: Payload, origin: number, context: Context) => {
    const [start, end] = [origin + payload.start, origin + payload.end]
    const drawing = drawingOf(at, { ...payload, start, end })
    if (!drawing) return emitter.finding(at, 'drawing-not-reversible', start, end)
    emitter.readMarkup(drawing, { ...context, confidence: outer.confidence }, true, emitter)
  }

  /** Tells of the addresses in a declaration: those in comments are none. */
  const nameFiles = ({ start, end }: Range) => {
    for (let i = firstFrom(addresses, start); (addresses[i]?.start ?? end) < end; i++) {
      const each = addresses[i] as Address
      emitter.link(at, each.start, each.end, asset(each.target))
    }
  }

  /** Reports what stands in a rule. Most hold no color, and reading their selectors would be in vain. */
  const report = (rule: Rule) => {
    const isOutside = rule.kind === 'sheet' && outer.selector === null && !at.drawing && dialect === CSS
    const found: FoundValue[] = []
    for (const value of rule.args) {
      const one = look(value, null)
      if (one) found.push(one)
    }
    for (const declaration of rule.declarations) {
      if (addresses.length > 0) nameFiles(declaration)
      if (isOutside && declaration.kind.takes === 'color')
        emitter.finding(at, 'outside-rules', declaration.start, declaration.end)
      const one = look(declaration, declaration)
      if (one) found.push(one)
    }
    if (found.length === 0) return
    if (found.length > 1)
      for (const { start, end } of overridden(found, text)) emitter.finding(at, 'overridden-in-rule', start, end)
    const by = rule.selectors ? readSelectors(rule.selectors) : outer
    const opacity = rule.selectors !== null || outer.selector !== null ? opacityOf(rule, text) : null
    for (const { value, declaration, hits, links, drawings, triple } of found) {
      const { property, kind, variable, heading } = value
      const { start } = value.value
      const context: Context = {
        property,
        use: kind.use,
        selector: by.selector,
        subjects: by.subjects,
        signals: by.signals,
        specificity: by.specificity,
        atRules: rule.atRules,
        heading,
        important: declaration !== null && isImportant(text, declaration),
        variable,
        opacity,
        literalOnly: outer.literalOnly,
        evidence: outer.evidence,
      }
      for (const hit of hits)
        emitter.hit(
          at,
          start,
          most === 'certain' ? hit : { ...hit, confidence: lessSure(most, hit.confidence) },
          context,
        )
      for (const link of links) emitter.reference(at, start, link, context)
      for (const payload of drawings) readDrawing(payload, start, context)
      if (variable === null || !declaration) continue
      const { selector, atRules } = context
      emitter.definition(at, declaration.name.start, declaration.name.end, { name: variable, selector, atRules })
      if (triple) emitter.triple(at, start + triple.start, start + triple.end, context)
    }
  }

  scanRules(at.text, text, dialect, outer, {
    rule: report,
    statement(start, end, { head }, isLate) {
      const written = text.slice(start, end)
      if (IMPORTS.test(written))
        for (const link of importsOf(written, dialect === CSS))
          emitter.link(at, start + link.start, start + link.end, isLate && dialect === CSS ? asset(link.target) : link)
      if (head.kind === 'unreadable') emitter.finding(at, 'unreadable-css', start, start + 1)
    },
    fault(code: FindingCode, offset) {
      emitter.finding(at, code, offset, Math.min(text.length, offset + 1))
    },
  })
}

/** A value with the blanks behind it: a tag may have stood there. */
function withBlanks(text: string, { start, end }: Range): Range {
  let at = end
  while (text[at] === ' ') at++
  return { start, end: at }
}

/** Where a value of a preprocessor stands. */
function placeOf({ property }: Value, declaration: Declaration | null): ProgramPlace {
  if (declaration) return 'value'
  return /^@(?:return|each|if|else|while)\b/.test(property) ? 'expression' : 'call'
}

/** The index of the first address that begins at an offset or behind it. */
function firstFrom(addresses: readonly Address[], offset: number): number {
  let [low, high] = [0, addresses.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((addresses[middle] as Address).start < offset) low = middle + 1
    else high = middle
  }
  return low
}

/** The declarations whose colors a later one of the same rule always wins over: same property, no weaker, and readable by every browser. */
function overridden(found: readonly FoundValue[], text: string): Range[] {
  const later = new Map<string, boolean>()
  const told: Range[] = []
  for (const { declaration, hits } of found.toReversed()) {
    if (declaration?.kind.takes !== 'color' || hits.length === 0) continue
    const { property, start, end } = declaration
    const important = isImportant(text, declaration)
    const winner = later.get(property)
    if (winner !== undefined && (winner || !important)) told.push({ start, end })
    const isOld = hits.every(({ found: hit }) => 'notation' in hit && OLDEST.test(hit.notation))
    if (isOld) later.set(property, important || winner === true)
  }
  return told.toReversed()
}

/** Notations that the first browsers with style sheets knew: what stands before them is no fallback for others. */
const OLDEST = /^(?:hex[36]|name|rgb)$/

/** The last opacity that a rule declares, 0 to 1; null where it is not written out. */
function opacityOf({ declarations }: Rule, text: string): number | null {
  const last = declarations.findLast(({ property }) => property === 'opacity')?.value
  const match = last && /^\s*(\d*\.?\d+)(%?)\s*(?:!\s*important\s*)?$/i.exec(text.slice(last.start, last.end))
  return match ? Math.min(1, Number(match[1]) / (match[2] ? 100 : 1)) : null
}
