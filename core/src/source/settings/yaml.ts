import { isPair, isScalar, type Node, type Pair, parseAllDocuments, visit } from 'yaml'
import type { Embedded } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { bare, quoted, readSetting } from './setting.ts'

/** Reads YAML: every scalar value that is wholly a color. Aliases and tags are not resolved. */
export function readYaml(at: Embedded, emitter: Emitter): void {
  if (isTooDeep(at.text)) return emitter.finding(at, 'nested-too-deep', 0, 1)
  for (const document of documents(at.text)) {
    visit(document, {
      Scalar(place, node, around) {
        if (place === 'key' || typeof node.value !== 'string' || !node.range) return
        const [start, end] = node.range
        const path = around.flatMap((each) => (isPair(each) ? keyOf(each) : []))
        if (node.type === 'PLAIN') {
          const value = bare(at, start, end)
          readSetting({ value: { ...value, drawing: value.drawing ?? { encoding: 'plain-scalar' } }, path }, emitter)
        } else if (node.type === 'QUOTE_DOUBLE' || node.type === 'QUOTE_SINGLE')
          readSetting({ value: quoted(at, start + 1, Math.max(start + 1, end - 1)), path }, emitter)
      },
    })
  }
}

/** Deeper than settings are nested; the parser works by recursion, and inherited files are hostile. */
const DEEPEST = 100

/** Whether a text nests deeper than a parser may be trusted with: in brackets, in items of one line, or by its indentation. Linear. */
function isTooDeep(text: string): boolean {
  let depth = 0
  for (const sign of text) {
    if (sign === '[' || sign === '{') depth++
    else if ((sign === ']' || sign === '}') && depth > 0) depth--
    if (depth > DEEPEST) return true
  }
  return new RegExp(`^(?: {${10 * DEEPEST}}|[ \\t]*(?:[-?:][ \\t]+){${DEEPEST}})`, 'm').test(text)
}

function documents(text: string): Node[] {
  return parseAllDocuments(text, { logLevel: 'silent', uniqueKeys: false, strict: false }) as unknown as Node[]
}

function keyOf({ key }: Pair): string[] {
  return isScalar(key) ? [String(key.value)] : []
}
