import { type AtRule, parse as parseCss, type Root, type Rule } from 'postcss'
import { parse as parseLess } from 'postcss-less'
import parseSafely from 'postcss-safe-parser'
import { parse as parseScss } from 'postcss-scss'
import { blockComments } from './inline-comments.ts'
import { blankTemplateTags } from './template-tags.ts'

/** A stretch of a rule's head that may hold colors; its offset counts from the beginning of the node. */
export interface HeadValue {
  readonly text: string
  /** Offset at which it stands if the tree tells it rightly; the caller checks it. */
  readonly offset: number
  /** The variable that it defines, with its sigil. */
  readonly variable: string | null
}

/** What one language of stylesheets does differently. */
export interface Dialect {
  /** A text of the same length that the parsers below can read. */
  prepare(text: string): string
  /** Throws a CssSyntaxError at the first fault. */
  parse(text: string): Root
  /** Reads on behind faults. */
  parseSafely(text: string): Root
  /** What in the head of an at-rule may hold colors; null for conditions and the like. */
  headOf(node: AtRule): HeadValue | null
  /** What in the head of a rule may hold colors: the arguments of a mixin. */
  ruleHeadOf(node: Rule): HeadValue | null
  /** Whether an at-rule says under which conditions its rules apply; directives of a preprocessor do not. */
  isCondition(name: string): boolean
}

const safely = (text: string) => parseSafely(text) as Root

export const CSS: Dialect = {
  prepare: blankTemplateTags,
  parse: (text) => parseCss(text),
  parseSafely: safely,
  headOf: () => null,
  ruleHeadOf: () => null,
  isCondition: () => true,
}

/** Directives of Sass that take values; conditions such as `@if` only test them. */
const SCSS_VALUES = /^(?:include|mixin|function|return|each|use|forward)$/
const SCSS_DIRECTIVES =
  /^(?:include|mixin|function|return|each|use|forward|if|else|for|while|at-root|content|debug|warn|error|extend)$/

export const SCSS: Dialect = {
  prepare: (text) => blockComments(blankTemplateTags(text)),
  parse: (text) => parseScss(text) as Root,
  parseSafely: safely,
  headOf(node) {
    if (!SCSS_VALUES.test(node.name)) return null
    return {
      text: node.raws.params?.raw ?? node.params,
      offset: 1 + node.name.length + (node.raws.afterName?.length ?? 0),
      variable: null,
    }
  },
  ruleHeadOf: () => null,
  isCondition: (name) => !SCSS_DIRECTIVES.test(name),
}

/** What postcss-less adds to an at-rule. */
interface LessAtRule extends AtRule {
  readonly variable?: boolean
  readonly mixin?: boolean
  readonly value?: string
}

export const LESS: Dialect = {
  prepare: (text) => blockComments(blankTemplateTags(text)),
  parse: (text) => parseLess(text) as Root,
  parseSafely: safely,
  headOf(node) {
    const { name, variable, mixin, value, params, raws } = node as LessAtRule
    const offset = 1 + name.length + (raws.afterName?.length ?? 0)
    if (variable) return { text: value ?? params, offset, variable: `@${name}` }
    return mixin ? { text: params, offset, variable: null } : null
  },
  ruleHeadOf(node) {
    const head = node.raws.selector?.raw ?? node.selector
    return /^[.#][\w-]+\s*\(/.test(head) && head.includes('@') ? { text: head, offset: 0, variable: null } : null
  },
  isCondition: (name) =>
    /^(?:media|supports|layer|container|scope|starting-style|keyframes|-\w+-keyframes|page|font-face|document)$/.test(
      name,
    ),
}
