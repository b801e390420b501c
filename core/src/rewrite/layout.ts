import type { WrittenRule } from '../source/read.ts'
import type { Declaration } from '../source/sheet/rules.ts'

/** A rule to be written. */
export interface NewRule {
  readonly selector: string
  readonly declarations: readonly string[]
  /** A media feature around it; null: none. */
  readonly width: string | null
  /** How lines end in its sheet. */
  readonly lineEnd: string
}

/**
 * The text of a rule that is put at an offset, written as the block beside it is: on lines of its own, in one line, or without a blank.
 * @param inside whether it stands within the block, else behind it
 */
export function placed(text: string, block: WrittenRule, at: number, inside: boolean, rule: NewRule): string {
  const { lineEnd } = rule
  const own = (block.declarations[0] as Declaration).start
  const sign = inside && !/[;{}]\s*$/.test(text.slice(block.body.start - 1, at)) ? ';' : ''
  if (isMinified(text, block)) return sign + wrapped(`${rule.selector}{${rule.declarations.join(';')}}`, rule, '')
  const indent = indentAt(text, inside ? own : block.head.start)
  const deeper = inside ? indent + (indent.includes('\t') ? '\t' : '  ') : indentAt(text, own)
  const body = text.slice(block.body.start, block.body.end)
  const written = /[\r\n]/.test(body)
    ? `${rule.selector} {${lineEnd}${rule.declarations.map((each) => `${deeper}${each};${lineEnd}`).join('')}${indent}}`
    : `${rule.selector} { ${rule.declarations.join('; ')}${body.trimEnd().endsWith(';') ? ';' : ''} }`
  return sign + lineEnd + indent + wrapped(written, rule, ' ')
}

function wrapped(rule: string, { width }: NewRule, blank: string): string {
  return width === null ? rule : `@media ${width}${blank}{${blank}${rule}${blank}}`
}

/** Whether a block and what follows it stand without blanks. */
function isMinified(text: string, { body }: WrittenRule): boolean {
  return (
    /^\S/.test(text.slice(body.start)) &&
    !/[\r\n]/.test(text.slice(body.end + 1, body.end + 3)) &&
    /\S/.test(text[body.end - 1] ?? '')
  )
}

/** The blanks at the beginning of the line of an offset. */
function indentAt(text: string, offset: number): string {
  const from = text.lastIndexOf('\n', offset - 1) + 1
  // Only on this line: most texts have no other sign for an end, and would be searched from their beginning for each rule.
  const line = from + text.slice(from, offset).lastIndexOf('\r') + 1
  return /^[ \t]*/.exec(text.slice(line, offset))?.[0] ?? ''
}
