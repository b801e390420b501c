import type { Range } from '../../text/range.ts'
import type { Embedded } from '../embedded.ts'
import type { Dialect } from './dialect.ts'

/** A block of declarations, where it stands in the file's text. */
export interface Block {
  /** `within`: a condition or a directive that stands in a rule. */
  readonly kind: 'rule' | 'within'
  /** The selector list of a rule; empty for others. */
  readonly head: Range
  /** What stands between the braces. */
  readonly body: Range
  /** Its own declarations, without their semicolons, in order. */
  readonly declarations: readonly Declaration[]
  /** Where the blocks in it begin. */
  readonly nested: readonly number[]
  /** Whether conditions or directives stand in it, whose declarations are as strong as its own. */
  readonly holdsConditions: boolean
}

export interface Declaration extends Range {
  readonly property: string
}

/** The blocks of one sheet that hold declarations of a rule. Linear. Empty where the sheet is not written plainly in its file, or without braces. */
export function blocksIn(at: Embedded, dialect: Dialect): Block[] {
  const origin = at.toSource(0)
  if (at.drawing || at.toSource(at.text.length) !== origin + at.text.length) return []
  const text = dialect.prepare(at.text)
  const found: Block[] = []
  const open: Growing[] = []
  const range = (start: number, end: number): Range => ({ start: origin + start, end: origin + end })
  dialect.scan(text, {
    comment() {},
    open(start, end, colon, brace) {
      const written = text.slice(start, end)
      const { kind } = dialect.blockHead(written, colon < 0 ? -1 : colon - start).head
      const outer = open.at(-1)
      if (outer) {
        outer.nested.push(origin + start)
        if (kind !== 'rule') outer.holdsConditions = true
      }
      const isInRule = outer?.isInRule === true
      open.push({
        kind: kind === 'rule' ? 'rule' : isInRule && kind !== 'prefix' && kind !== 'map' ? 'within' : null,
        isInRule: isInRule || kind === 'rule',
        head: kind === 'rule' ? range(start, end) : range(start, start),
        from: brace === undefined ? null : brace + 1,
        declarations: [],
        nested: [],
        holdsConditions: false,
      })
    },
    close(brace) {
      const { kind, isInRule: _, from, ...block } = open.pop() as Growing
      if (kind !== null && from !== null && brace !== undefined && block.declarations.length > 0)
        found.push({ ...block, kind, body: range(from, brace) })
    },
    statement(start, end, colon) {
      if (colon < 0 || !dialect.isDeclaration(text.slice(start, end))) return
      open.at(-1)?.declarations.push({ ...range(start, end), property: text.slice(start, colon).trim() })
    },
    fault() {},
  })
  return found
}

/** A block that is open. */
interface Growing {
  /** null: none that a rule could be written in or behind. */
  readonly kind: Block['kind'] | null
  readonly isInRule: boolean
  readonly head: Range
  readonly from: number | null
  readonly declarations: Declaration[]
  readonly nested: number[]
  holdsConditions: boolean
}
