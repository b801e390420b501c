import { blockComments } from './inline-comments.ts'
import { type SheetHandler, scanBraces } from './scanner.ts'

/** What a head, or a statement that is no declaration, means in one language. */
export type Head =
  /** A list of selectors. */
  | { readonly kind: 'rule' }
  /** Its name stands on the conditions of what is in it. */
  | { readonly kind: 'condition' }
  /** A directive of a preprocessor: what it holds applies as if it stood around it. */
  | { readonly kind: 'directive' }
  /** `border: { color: ... }` of Sass: the properties within begin with this. */
  | { readonly kind: 'prefix'; readonly prefix: string }
  /** `@map: { ... }` of Less: what is in it may be a color whatever its name. */
  | { readonly kind: 'map'; readonly variable: string }
  /** Not of this language. */
  | { readonly kind: 'unreadable' }

/** A head as read: what it means, and the stretch of it (from the head's own beginning) that may hold colors; null: none. */
export interface ReadHead {
  readonly head: Head
  readonly values: { readonly start: number; readonly end: number } | null
}

/** What one language of stylesheets does differently. */
export interface Dialect {
  /** Whether it is read by its words alone: then nothing in it is certain. */
  readonly lexical: boolean
  /** Whether it is a preprocessor's: it has functions, mixins and directives of its own. */
  readonly isProgram: boolean
  /** A text of the same length in which comments are block comments. */
  prepare(text: string): string
  scan(text: string, handler: SheetHandler): void
  /** Reads the head of a block. @param colon the first colon outside brackets, from the head's beginning; -1: none */
  blockHead(head: string, colon: number): ReadHead
  /** Reads a statement without a block that is no declaration. */
  statementHead(statement: string): ReadHead
  /** Whether a statement with a colon is a declaration. */
  isDeclaration(statement: string): boolean
}

export const RULE: ReadHead = { head: { kind: 'rule' }, values: null }
const CONDITION: ReadHead = { head: { kind: 'condition' }, values: null }
export const DIRECTIVE: ReadHead = { head: { kind: 'directive' }, values: null }
const UNREADABLE: ReadHead = { head: { kind: 'unreadable' }, values: null }

const isAtRule = (statement: string) => statement.startsWith('@')

/** A directive whose arguments stand at [start, end). */
export function directive(start: number, end: number): ReadHead {
  return { head: { kind: 'directive' }, values: { start, end } }
}

export const CSS: Dialect = {
  lexical: false,
  isProgram: false,
  prepare: (text) => text,
  scan: (text, handler) => scanBraces(text, handler, null),
  blockHead: (head) => (isAtRule(head) ? CONDITION : RULE),
  statementHead: (statement) => (isAtRule(statement) ? CONDITION : UNREADABLE),
  isDeclaration: (statement) => !isAtRule(statement),
}

/** Directives of Sass that take values; conditions compare them. */
const SASS_VALUES = /^@(?:include|mixin|function|return|each|use|forward|if|else|while)\b/
const SASS_DIRECTIVES =
  /^@(?:include|mixin|function|return|each|use|forward|if|else|for|while|at-root|content|debug|warn|error|extend)\b/

/** The head of an at-rule of Sass, in either of its two ways of writing. */
export function sassAtRule(head: string): ReadHead {
  const values = SASS_VALUES.exec(head)
  if (values) return directive(values[0].length, head.length)
  return SASS_DIRECTIVES.test(head) ? DIRECTIVE : CONDITION
}

export const SCSS: Dialect = {
  lexical: false,
  isProgram: true,
  prepare: (text) => blockComments(text),
  scan: (text, handler) => scanBraces(text, handler, '#'),
  blockHead(head, colon) {
    if (isAtRule(head)) return sassAtRule(head)
    // A selector has no white space behind its colon (Sass: nested properties).
    const nested = colon > 0 && /^[\w-]+\s*$/.test(head.slice(0, colon)) && /^(?:\s|$)/.test(head.slice(colon + 1))
    if (!nested) return RULE
    const prefix = `${head.slice(0, colon).trim()}-`
    return { head: { kind: 'prefix', prefix }, values: null }
  },
  statementHead: (statement) => (isAtRule(statement) ? sassAtRule(statement) : UNREADABLE),
  isDeclaration: (statement) => !isAtRule(statement),
}

const LESS_CONDITIONS =
  /^@(?:media|supports|layer|container|scope|starting-style|(?:-\w+-)?keyframes|page|font-face|(?:-\w+-)?document|property|counter-style)\b/
const LESS_VARIABLE = /^@([\w-]+)\s*:/

/** From the first bracket: the arguments of a mixin, defined or called, and its guard. */
function lessArguments(head: string): ReadHead['values'] {
  const start = head.indexOf('(')
  return start < 0 ? null : { start, end: head.length }
}

export const LESS: Dialect = {
  lexical: false,
  isProgram: true,
  prepare: (text) => blockComments(text),
  scan: (text, handler) => scanBraces(text, handler, '@'),
  blockHead(head) {
    const variable = LESS_VARIABLE.exec(head)?.[1]
    if (variable !== undefined) return { head: { kind: 'map', variable: `@${variable}` }, values: null }
    if (isAtRule(head)) return LESS_CONDITIONS.test(head) ? CONDITION : DIRECTIVE
    const isMixin = /^[.#][\w-]+\s*\(/.test(head) && head.includes('@')
    if (isMixin) return { head: { kind: 'rule' }, values: lessArguments(head) }
    const guard = /\bwhen\b/.exec(head)
    return guard ? { head: { kind: 'rule' }, values: { start: guard.index, end: head.length } } : RULE
  },
  statementHead(statement) {
    if (isAtRule(statement)) return LESS_CONDITIONS.test(statement) ? CONDITION : DIRECTIVE
    const isCall = /^[.#&]|^[\w-]+\s*\(/.test(statement)
    return isCall ? { head: { kind: 'directive' }, values: lessArguments(statement) } : UNREADABLE
  },
  isDeclaration: (statement) => !isAtRule(statement) || LESS_VARIABLE.test(statement),
}
