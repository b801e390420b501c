import { propertyKind } from '../value/property.ts'
import { DIRECTIVE, type Dialect, directive, RULE, sassAtRule } from './dialect.ts'
import { scanIndented } from './indented-scanner.ts'
import { blockComments } from './inline-comments.ts'

const prepare = (text: string) => blockComments(text)

/** `+button(#fff)` and `=button($c: #fff)`: the short forms of `@include` and `@mixin`. */
const SASS_SHORT = /^[+=]\s*[\w.-]+/

/** Sass in its indented syntax, read by its words. */
export const SASS: Dialect = {
  lexical: true,
  isProgram: true,
  prepare,
  scan: (text, handler) => scanIndented(text, handler, { braces: false, separatorOf: () => -1 }),
  blockHead(head, colon) {
    if (head.startsWith('@')) return sassAtRule(head)
    const short = SASS_SHORT.exec(head)
    if (short && (head.startsWith('=') || head.includes('('))) return directive(short[0].length, head.length)
    if (colon > 0 && colon === head.length - 1)
      return { head: { kind: 'prefix', prefix: `${head.slice(0, colon).trim()}-` }, values: null }
    return RULE
  },
  statementHead(statement) {
    if (statement.startsWith('@')) return sassAtRule(statement)
    const short = SASS_SHORT.exec(statement)
    return short ? directive(short[0].length, statement.length) : DIRECTIVE
  },
  isDeclaration: (statement) => !/^[@+=]/.test(statement),
}

const ASSIGNMENT = /^[$\w-]+\s*[?:+]?=(?!=)/
const CALL = /^\+?[\w$-]+\(/
/** Words that begin a line of a program; the first ones take values, the others only test them. */
const VALUES = /^(?:return|for|push|unshift|append)\b/
const TESTS = /^(?:if|else|unless|while|import|require|throw|warn|p)\b/

/** Stylus, read by its words: what is a selector and what a property is told by the property's name. */
export const STYLUS: Dialect = {
  lexical: true,
  isProgram: true,
  prepare,
  scan: (text, handler) => scanIndented(text, handler, { braces: true, separatorOf }),
  blockHead(head) {
    if (head.startsWith('@')) return sassAtRule(head)
    const variable = /^([$\w-]+)\s*[?:+]?=\s*$/.exec(head)?.[1]
    if (variable !== undefined) return { head: { kind: 'map', variable }, values: null }
    const call = CALL.exec(head)
    if (call) return directive(call[0].length - 1, head.length)
    return TESTS.test(head) || VALUES.test(head) ? directive(0, 0) : RULE
  },
  statementHead(statement) {
    if (statement.startsWith('@')) return sassAtRule(statement)
    const word = VALUES.exec(statement) ?? CALL.exec(statement)
    return word ? directive(word[0].replace('(', '').length, statement.length) : DIRECTIVE
  },
  isDeclaration: (statement) => !statement.startsWith('@') && !TESTS.test(statement) && !VALUES.test(statement),
}

/** `name = value`, or `color red`: a property that is known, white space, and what it takes. */
function separatorOf(line: string): number {
  const assignment = ASSIGNMENT.exec(line)
  if (assignment) return assignment[0].length - 1
  const space = /^[\w-]+(?=[ \t])/.exec(line)
  if (!space || propertyKind(space[0]).takes === 'unknown') return -1
  return space[0].length
}
