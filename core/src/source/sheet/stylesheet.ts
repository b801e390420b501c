import type { FindingCode } from '../../text/finding.ts'
import type { Range } from '../../text/range.ts'
import type { Embedded } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { type Context, lessSure, type OuterContext } from '../occurrence.ts'
import { asset } from '../source-link.ts'
import { drawingOf, findDrawings, type Payload } from '../value/data-url.ts'
import { type PropertyKind, propertyKind, type Takes } from '../value/property.ts'
import { slipIn } from '../value/slip.ts'
import { findInValue } from '../value/value.ts'
import type { ValueHit } from '../value/value-hit.ts'
import { type Link, linksIn, tripleIn } from '../value/variable.ts'
import { CSS, type Dialect, type Head, type ReadHead } from './dialect.ts'
import { headingOf } from './heading.ts'
import { type Rule, ruleReader } from './rule.ts'
import { trimmed } from './scanner.ts'
import { type Address, addressesOf, IMPORTS, importsOf } from './sheet-links.ts'

/** One value to look through: a declaration's, or the arguments in a head. */
interface Declared {
  readonly property: string
  readonly kind: PropertyKind
  /** Of the value, in the sheet's text. */
  readonly start: number
  readonly end: number
  /** Of what stands before the value; null for arguments. */
  readonly name: { readonly start: number; readonly end: number } | null
  readonly variable: string | null
  readonly heading: string | null
}

/** A value in which something was found. What it is in is known when its block ends: most blocks hold none, and reading their selectors would be in vain. */
interface Pending {
  readonly declared: Declared
  readonly hits: readonly ValueHit[]
  readonly links: readonly Link[]
  readonly drawings: readonly Payload[]
  /** Three bare numbers that are all of a variable's value. */
  readonly triple: Range | null
}

/** A block that is open. */
interface Block {
  readonly kind: Head['kind'] | 'sheet'
  /** The nearest rule around it, itself included; null outside rules. */
  readonly rule: Rule | null
  readonly atRules: readonly string[]
  /** What stands before the properties within. */
  readonly prefix: string
  readonly variable: string | null
  /** The last heading met in it, or around it before it began. */
  heading: string | null
  opacity: number | null
  readonly pending: Pending[]
}

/**
 * Reads a stylesheet, or the declarations of a style attribute, and reports every color in it. Broken text costs its own region. Linear
 * in the text; keeps no tree of it.
 */
export function readStylesheet(at: Embedded, outer: OuterContext, emitter: Emitter, dialect: Dialect = CSS): void {
  emitter.sheet?.(at, dialect)
  const text = dialect.prepare(at.text)
  const kinds = new Map<string, PropertyKind>()
  const readRule = ruleReader(text.length)
  const most = dialect.lexical ? lessSure('likely', outer.confidence) : outer.confidence
  const blocks: Block[] = []
  let block: Block = {
    kind: 'sheet',
    rule: null,
    atRules: outer.atRules,
    prefix: '',
    variable: null,
    heading: outer.heading,
    opacity: null,
    pending: [],
  }

  const kindOf = (property: string) => {
    let kind = kinds.get(property)
    if (kind === undefined) kinds.set(property, (kind = propertyKind(property)))
    return kind
  }

  const look = (declared: Declared, into: Block) => {
    const { takes } = declared.kind
    if (takes === 'none') return
    const value = text.slice(declared.start, declared.end)
    // A drawing within a drawing is none that a browser shows.
    const drawings = at.drawing ? [] : findDrawings(value)
    const found = findInValue(value, takes)
    const isOutside = ({ start, end }: ValueHit) => drawings.every((each) => end <= each.start || start >= each.end)
    const hits = drawings.length === 0 ? found : found.filter(isOutside)
    // A property that nobody knows to take a color takes no variable for one either; an argument may.
    const slip =
      dialect.lexical || declared.name === null || takes !== 'color'
        ? null
        : slipIn(declared.property, value, hits.length)
    if (slip) {
      const written = { start: declared.start + slip.start, end: declared.start + slip.end }
      // A gradient is what was meant; the property is what was not.
      const wrong = slip.code === 'gradient-as-color' && declared.name ? declared.name : written
      const { meaning } = slip
      emitter.finding(at, slip.code, written.start, written.end, { meaning, use: declared.kind.use, wrong })
    }
    const links = takes === 'unknown' && declared.name !== null ? [] : linksIn(value, hits)
    const triple = declared.variable !== null && hits.length === 0 ? tripleIn(value) : null
    if (hits.length > 0 || links.length > 0 || drawings.length > 0 || triple)
      into.pending.push({ declared, hits, links, drawings, triple })
  }

  const lookInHead = (head: ReadHead, start: number, property: string, into: Block) => {
    if (!head.values) return
    const values = { start: start + head.values.start, end: start + head.values.end }
    look({ property, kind: ARGUMENTS, ...values, name: null, variable: null, heading: into.heading }, into)
  }

  /** Whether something has stood here before which no import of CSS may follow (CSS Cascade 5 §2.1). */
  let isLate = false
  const addresses = addressesOf(text)
  let address = 0
  /** Tells of the addresses in a declaration: those in comments are none. */
  const nameFiles = (start: number, end: number) => {
    while (address < addresses.length && (addresses[address] as Address).start < start) address++
    for (let each = addresses[address]; each && each.start < end; each = addresses[++address])
      emitter.link(at, each.start, each.end, asset(each.target))
  }

  const declare = (start: number, end: number, colon: number) => {
    if (address < addresses.length) nameFiles(start, end)
    const name = { start, end: trimmed(text, start, colon) }
    const written = text.slice(name.start, name.end)
    const property = block.prefix + (written.includes('/*') ? written.replace(/\/\*[\s\S]*?\*\//g, '').trim() : written)
    let kind = text[colon] === '=' ? ASSIGNED : kindOf(property)
    if (block.kind === 'map' && kind.takes === 'unknown') kind = IN_MAP
    const variable =
      kind.use === 'variable'
        ? (block.variable ?? (kind === ASSIGNED ? property.replace(/\s*[?:+]$/, '') : property))
        : null
    if (block.kind === 'sheet' && outer.selector === null && !at.drawing && dialect === CSS && kind.takes === 'color')
      emitter.finding(at, 'outside-rules', start, end)
    if (property === 'opacity') block.opacity = opacityOf(text.slice(colon + 1, end))
    look({ property, kind, start: colon + 1, end, name, variable, heading: block.heading }, block)
  }

  const readDrawing = (payload: Payload, origin: number, context: Context) => {
    const [start, end] = [origin + payload.start, origin + payload.end]
    const drawing = drawingOf(at, { ...payload, start, end })
    if (!drawing) return emitter.finding(at, 'drawing-not-reversible', start, end)
    emitter.readMarkup(drawing, { ...context, confidence: outer.confidence }, true, emitter)
  }

  /** Reports what the block that ends holds, now that all that stands in it is known. */
  const flush = () => {
    if (block.pending.length === 0) return
    const rule = block.rule ? readRule(block.rule) : outer
    if (block.pending.length > 1)
      for (const { start, end } of overridden(block.pending, text))
        emitter.finding(at, 'overridden-in-rule', start, end)
    const inRule = block.rule !== null || outer.selector !== null
    for (const { declared, hits, links, drawings, triple } of block.pending) {
      const { property, kind, start, end, name, variable, heading } = declared
      const context: Context = {
        property,
        use: kind.use,
        selector: rule.selector,
        subjects: rule.subjects,
        signals: rule.signals,
        specificity: rule.specificity,
        atRules: block.atRules,
        heading,
        important: name !== null && IMPORTANT.test(text.slice(Math.max(start, end - IMPORTANT_LENGTH), end)),
        variable,
        opacity: inRule ? block.opacity : null,
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
      for (const link of links) emitter.reference(at, start + link.start, start + link.end, referenceOf(link, context))
      for (const payload of drawings) readDrawing(payload, start, context)
      if (variable === null || name === null) continue
      const { selector, atRules } = context
      emitter.definition(at, name.start, name.end, { name: variable, selector, atRules })
      if (triple) emitter.triple(at, start + triple.start, start + triple.end, context)
    }
  }

  dialect.scan(text, {
    comment(start, end, remark) {
      const heading = remark || block.kind === 'rule' ? null : headingOf(commentText(at.text, start, end))
      if (heading !== null) block.heading = heading
    },
    open(start, end, colon) {
      isLate = true
      const written = text.slice(start, end)
      const read = dialect.blockHead(written, colon < 0 ? -1 : colon - start)
      const { head } = read
      if (head.kind !== 'rule') lookInHead(read, start, /^@?[\w-]*/.exec(written)?.[0] ?? '', block)
      const inner: Block = {
        kind: head.kind,
        rule:
          head.kind === 'rule'
            ? { written, outer: block.rule, inKeyframes: isKeyframes(block.atRules), resolved: null }
            : block.rule,
        atRules:
          head.kind === 'condition' && block.atRules.length < MOST_CONDITIONS
            ? [...block.atRules, written.replace(/\s+/g, ' ')]
            : block.atRules,
        prefix: head.kind === 'prefix' ? block.prefix + head.prefix : '',
        variable: head.kind === 'map' ? head.variable : null,
        heading: block.heading,
        opacity: null,
        pending: [],
      }
      if (head.kind === 'rule') lookInHead(read, start, /^[^(]*/.exec(written)?.[0].trim() ?? '', inner)
      blocks.push(block)
      block = inner
    },
    close() {
      flush()
      block = blocks.pop() as Block
    },
    statement(start, end, colon) {
      const written = text.slice(start, end)
      if (colon >= 0 && dialect.isDeclaration(written)) return declare(start, end, colon)
      if (IMPORTS.test(written))
        for (const link of importsOf(written, dialect === CSS))
          emitter.link(at, start + link.start, start + link.end, isLate && dialect === CSS ? asset(link.target) : link)
      else if (!/^@(?:charset|layer)\b/i.test(written)) isLate = true
      const read = dialect.statementHead(written)
      if (read.head.kind === 'unreadable') emitter.finding(at, 'unreadable-css', start, start + 1)
      else lookInHead(read, start, /^@?[\w-]*/.exec(written)?.[0] ?? '', block)
    },
    fault(code: FindingCode, offset) {
      emitter.finding(at, code, offset, Math.min(text.length, offset + 1))
    },
  })
  flush()
}

/** The colors that a later declaration of the same rule always wins over: same property, no weaker, and readable by every browser. */
function overridden(pending: readonly Pending[], text: string): { start: number; end: number }[] {
  const later = new Map<string, boolean>()
  const found: { start: number; end: number }[] = []
  for (const { declared, hits } of pending.toReversed()) {
    const { property, name, start, end, kind } = declared
    if (name === null || kind.takes !== 'color' || hits.length === 0) continue
    const important = IMPORTANT.test(text.slice(Math.max(start, end - IMPORTANT_LENGTH), end))
    const winner = later.get(property)
    if (winner !== undefined && (winner || !important)) found.push({ start: name.start, end })
    const isOld = hits.every(({ found: hit }) => 'notation' in hit && OLDEST.test(hit.notation))
    if (isOld) later.set(property, important || winner === true)
  }
  return found.toReversed()
}

/** Notations that the first browsers with style sheets knew: what stands before them is no fallback for others. */
const OLDEST = /^(?:hex[36]|name|rgb)$/

const ARGUMENTS: PropertyKind = { takes: 'unknown', use: 'other' }
/** `name = value` of Stylus. */
const ASSIGNED: PropertyKind = { takes: 'custom', use: 'variable' }
const IN_MAP: PropertyKind = { takes: 'custom' satisfies Takes, use: 'variable' }

/** Deeper conditions than anybody nests are not told. */
const MOST_CONDITIONS = 50

const IMPORTANT = /!\s*important\s*$/i
/** Longer than anybody spaces it out. */
const IMPORTANT_LENGTH = 40

function isKeyframes(atRules: readonly string[]): boolean {
  return atRules.some((name) => /^@(?:-\w+-)?keyframes\b/i.test(name))
}

function opacityOf(value: string): number | null {
  const match = /^\s*(\d*\.?\d+)(%?)\s*(?:!\s*important\s*)?$/i.exec(value)
  return match ? Math.min(1, Number(match[1]) / (match[2] ? 100 : 1)) : null
}

function referenceOf({ name, channelsOf, taken }: Link, context: Context) {
  const { property, use, selector, subjects, signals, specificity, atRules, important, variable } = context
  const stands = { property, use, selector, subjects, signals, specificity, atRules, important, variable }
  return { name, channelsOf, taken, ...stands }
}

/** The inside of a comment as it was received: one that began with two slashes has no closing mark. */
function commentText(received: string, start: number, end: number): string {
  const written = received.slice(start + 2, end)
  return written.endsWith('*/') ? written.slice(0, -2) : written
}
