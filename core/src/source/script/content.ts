import type { Range } from '../../text/range.ts'
import { type Embedded, within } from '../embedded.ts'
import { codeString } from '../scan/code-string.ts'
import { bareNode, child, list, type Node } from './parse.ts'

/** Whether a node is a string, or a template. */
export function isText({ type }: Node): boolean {
  return type === 'StringLiteral' || type === 'DirectiveLiteral' || type === 'TemplateLiteral'
}

/** What is put together by `+`, in its order; the node itself where nothing is. */
export function operandsOf(node: Node): Node[] {
  const operands: Node[] = []
  let at: Node | null = node
  while (at?.type === 'BinaryExpression' && at.operator === '+') {
    const right = child(at, 'right')
    if (right) operands.push(right)
    const left = child(at, 'left')
    at = bareNode(left)?.type === 'BinaryExpression' ? bareNode(left) : left
  }
  return at ? [...operands, at].reverse() : operands
}

/**
 * The text of a string, of a template, or of what is put together by `+` from its first text to its last; escapes decoded, and each expression
 * in it left as an interpolation that sheets know.
 */
export function contentOf(at: Embedded, node: Node): Embedded {
  const pieces = operandsOf(node).filter(isText).flatMap(piecesOf)
  const [first] = pieces
  const last = pieces.at(-1)
  if (!first || !last) return codeString(at, { start: node.start, end: node.start })
  if (pieces.length === 1) return codeString(at, first)
  let text = ''
  let from = first.start
  for (const { start, end } of pieces) {
    const gap = at.text.slice(from, start)
    if (gap !== '') text += NEXT_STRING.test(gap) ? ' '.repeat(gap.length) : `#{${' '.repeat(gap.length - 3)}}`
    text += at.text.slice(start, end)
    from = end
  }
  const masked = within(at, text, (offset) => first.start + offset)
  return codeString(masked, { start: 0, end: text.length })
}

/** What stands between two strings of which one follows the other. */
const NEXT_STRING = /^["'`]\s*\+\s*["'`]$/

/** What is written of a text, without its quotes and expressions. */
function piecesOf(node: Node): Range[] {
  if (node.type !== 'TemplateLiteral') return [{ start: node.start + 1, end: node.end - 1 }]
  return list(node, 'quasis').flatMap((quasi) => quasi ?? [])
}
