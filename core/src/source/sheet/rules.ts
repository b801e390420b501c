import type { FindingCode } from '../../text/finding.ts'
import type { Range } from '../../text/range.ts'
import { type PropertyKind, propertyKind, type Takes } from '../value/property.ts'
import type { Dialect, Head, ReadHead } from './dialect.ts'
import { headingOf } from './heading.ts'
import { trimmed } from './scanner.ts'

/** A stretch of a sheet that may hold colors: what a declaration's property takes, or the arguments in a head. Offsets in the sheet's text. */
export interface Value {
  /** What stands before it: the property, prefixes of nested ones included; of arguments the name of what takes them. */
  readonly property: string
  readonly kind: PropertyKind
  /** Of the value, white space and `!important` included. */
  readonly value: Range
  /** The variable that is defined, with its sigil. */
  readonly variable: string | null
  readonly heading: string | null
}

/** A declaration, without its semicolon. */
export interface Declaration extends Value, Range {
  readonly name: Range
}

/**
 * One block of a sheet, or the sheet itself, when it has ended: its head, what stands around it, and every declaration of its own, painting or not.
 * Offsets in the sheet's text.
 */
export interface Rule {
  readonly kind: Head['kind'] | 'sheet'
  /** As written. */
  readonly written: string
  readonly head: Range
  /** What stands between its braces; null where it has none. */
  readonly body: Range | null
  readonly outer: Rule | null
  /** The nearest of selectors around what it holds, itself included; null: none. */
  readonly selectors: Rule | null
  /** From the outermost in. */
  readonly atRules: readonly string[]
  readonly declarations: readonly Declaration[]
  /** Stretches of heads that may hold colors: its own, and those of statements in it. */
  readonly args: readonly Value[]
  /** Where the blocks in it begin. */
  readonly nested: readonly number[]
  /** Whether conditions or directives stand in it, whose declarations are as strong as its own. */
  readonly holdsConditions: boolean
}

/** Takes the rules of a sheet as they end, inner ones before those around them, the sheet itself last. */
export interface RuleHandler {
  rule(rule: Rule): void
  /** A statement without a block that is no declaration. @param isLate whether something has stood before it that no import of CSS may follow (CSS Cascade 5 §2.1) */
  statement(start: number, end: number, head: ReadHead, isLate: boolean): void
  fault(code: FindingCode, offset: number): void
}

/**
 * What stands at the end of a sheet: nothing is open; a statement that no semicolon ends; in CSS, what counts as the selectors of the next rule, a semicolon
 * too (CSS Syntax 3 §5.5.3), until a block ends it; or a comment, a string, a bracket, an escape or a block.
 */
export type SheetEnd = 'closed' | 'statement' | 'selectors' | 'open'

/** What a sheet stands in. */
export interface Around {
  readonly atRules: readonly string[]
  readonly heading: string | null
}

/** A rule that has not ended. */
interface OpenRule extends Rule {
  body: Range | null
  readonly brace: number | null
  readonly declarations: Declaration[]
  readonly args: Value[]
  readonly nested: number[]
  holdsConditions: boolean
  /** What stands before the properties within. */
  readonly prefix: string
  /** Of a map: the variable that it defines. */
  readonly variable: string | null
  /** The last heading met in it, or around it before it began. */
  heading: string | null
}

/** Deeper conditions than anybody nests are not told. */
const MOST_CONDITIONS = 50

/**
 * The rules of a sheet, in one pass, and what stands at its end. Linear; a rule that has ended is kept by nobody here but those within it.
 * @param received the sheet as it is written, @param text its comments all block comments, of the same length
 */
export function scanRules(
  received: string,
  text: string,
  dialect: Dialect,
  around: Around,
  handler: RuleHandler,
): SheetEnd {
  const kinds = new Map<string, PropertyKind>()
  const kindOf = (property: string) => {
    let kind = kinds.get(property)
    if (kind === undefined) kinds.set(property, (kind = propertyKind(property)))
    return kind
  }
  const sheet: Omit<OpenRule, 'kind'> = {
    written: '',
    head: { start: 0, end: 0 },
    body: { start: 0, end: text.length },
    outer: null,
    selectors: null,
    atRules: around.atRules,
    declarations: [],
    args: [],
    nested: [],
    holdsConditions: false,
    brace: null,
    prefix: '',
    variable: null,
    heading: around.heading,
  }
  let rule: OpenRule = { ...sheet, kind: 'sheet' }
  const open: OpenRule[] = []
  let isLate = false
  let isOpen = false
  /** Where the last statement of the sheet itself ends; null: it was a block. */
  let last: number | null = null
  /** Behind the last block of the sheet itself, or its last statement with an `@` that has an end. */
  let ended = 0

  /** The stretch of a head that may hold colors. */
  const argumentsIn = ({ values }: ReadHead, start: number, property: string, heading: string | null): Value[] =>
    values
      ? [
          {
            property,
            kind: ARGUMENTS,
            value: { start: start + values.start, end: start + values.end },
            variable: null,
            heading,
          },
        ]
      : []

  const declare = (start: number, end: number, colon: number) => {
    const name = { start, end: trimmed(text, start, colon) }
    const written = text.slice(name.start, name.end)
    const property = rule.prefix + (written.includes('/*') ? written.replace(/\/\*[\s\S]*?\*\//g, '').trim() : written)
    let kind = text[colon] === '=' ? ASSIGNED : kindOf(property)
    if (rule.kind === 'map' && kind.takes === 'unknown') kind = IN_MAP
    const variable =
      kind.use === 'variable'
        ? (rule.variable ?? (kind === ASSIGNED ? property.replace(/\s*[?:+]$/, '') : property))
        : null
    const value = { start: colon + 1, end }
    rule.declarations.push({ start, end, name, property, kind, value, variable, heading: rule.heading })
  }

  dialect.scan(text, {
    comment(start, end, remark) {
      const heading = remark || rule.kind === 'rule' ? null : headingOf(commentText(received, start, end))
      if (heading !== null) rule.heading = heading
    },
    open(start, end, colon, brace) {
      last = null
      isLate = true
      const written = text.slice(start, end)
      const read = dialect.blockHead(written, colon < 0 ? -1 : colon - start)
      const { kind } = read.head
      rule.nested.push(start)
      if (kind !== 'rule') rule.holdsConditions = true
      if (kind !== 'rule')
        rule.args.push(...argumentsIn(read, start, /^@?[\w-]*/.exec(written)?.[0] ?? '', rule.heading))
      const inner: OpenRule = {
        kind,
        written,
        head: { start, end },
        body: null,
        brace: brace ?? null,
        outer: rule,
        selectors: rule.selectors,
        atRules:
          kind === 'condition' && rule.atRules.length < MOST_CONDITIONS
            ? [...rule.atRules, written.replace(/\s+/g, ' ')]
            : rule.atRules,
        declarations: [],
        args: kind === 'rule' ? argumentsIn(read, start, /^[^(]*/.exec(written)?.[0].trim() ?? '', rule.heading) : [],
        nested: [],
        holdsConditions: false,
        prefix: read.head.kind === 'prefix' ? rule.prefix + read.head.prefix : '',
        variable: read.head.kind === 'map' ? read.head.variable : null,
        heading: rule.heading,
      }
      open.push(rule)
      rule = kind === 'rule' ? selecting(inner) : inner
    },
    close(brace) {
      if (rule.brace !== null && brace !== undefined) rule.body = { start: rule.brace + 1, end: brace }
      handler.rule(rule)
      rule = open.pop() as OpenRule
      if (open.length === 0 && brace !== undefined) ended = brace + 1
    },
    statement(start, end, colon) {
      const written = text.slice(start, end)
      last = open.length === 0 ? end : null
      if (open.length === 0 && written.startsWith('@') && pastNothing(text, ended) >= start)
        ended = behindSemicolon(text, end) ?? ended
      if (colon >= 0 && dialect.isDeclaration(written)) return declare(start, end, colon)
      const head = dialect.statementHead(written)
      rule.args.push(...argumentsIn(head, start, /^@?[\w-]*/.exec(written)?.[0] ?? '', rule.heading))
      handler.statement(start, end, head, isLate)
      if (!/^@(?:charset|layer|import)\b/i.test(written)) isLate = true
    },
    fault(code, offset) {
      isOpen ||= code === 'unclosed-comment' || code === 'unclosed-block'
      // A string ends with its line.
      isOpen ||= code === 'unclosed-string' && !/[\r\n]/.test(text.slice(offset))
      handler.fault(code, offset)
    },
  })
  handler.rule(rule)
  if (isOpen || text.endsWith('\\')) return 'open'
  if (dialect.isProgram) return last === null || behindSemicolon(text, last) !== null ? 'closed' : 'statement'
  const rest = text[pastNothing(text, ended)]
  return rest === undefined ? 'closed' : rest === '@' ? 'statement' : 'selectors'
}

/** Behind what says nothing outside blocks: white space of CSS, comments, and the signs of a comment of markup. */
function pastNothing(text: string, start: number): number {
  let at = start
  for (;;) {
    if (/[ \t\r\n\f]/.test(text[at] ?? '')) at++
    else if (text.startsWith('/*', at)) {
      const close = text.indexOf('*/', at + 2)
      at = close < 0 ? text.length : close + 2
    } else if (text.startsWith('<!--', at)) at += 4
    else if (text.startsWith('-->', at)) at += 3
    else return at
  }
}

/** Behind the semicolon that ends a statement; null: none does. @param end of what is said */
function behindSemicolon(text: string, end: number): number | null {
  const at = pastNothing(text, end)
  return text[at] === ';' ? at + 1 : null
}

/** A rule of selectors is the nearest around what it holds. */
function selecting(rule: OpenRule): OpenRule {
  const own = rule as { -readonly [Key in keyof OpenRule]: OpenRule[Key] }
  own.selectors = rule
  return rule
}

const ARGUMENTS: PropertyKind = { takes: 'unknown', use: 'other' }
/** `name = value` of Stylus. */
const ASSIGNED: PropertyKind = { takes: 'custom', use: 'variable' }
const IN_MAP: PropertyKind = { takes: 'custom' satisfies Takes, use: 'variable' }

/** The inside of a comment as it was received: one that began with two slashes has no closing mark. */
function commentText(received: string, start: number, end: number): string {
  const written = received.slice(start + 2, end)
  return written.endsWith('*/') ? written.slice(0, -2) : written
}

const IMPORTANT = /!\s*important\s*$/i
/** Longer than anybody spaces it out. */
const IMPORTANT_LENGTH = 40

/** Whether a declaration of a text is important. */
export function isImportant(text: string, { value: { start, end } }: Declaration): boolean {
  return IMPORTANT.test(text.slice(Math.max(start, end - IMPORTANT_LENGTH), end))
}
