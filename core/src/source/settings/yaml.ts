import { type CST, Parser } from 'yaml'
import { type Embedded, part } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { codeString } from '../scan/code-string.ts'
import { readSetting } from './setting.ts'

/** More keys around a value than are told. */
const DEEPEST = 8

/** Reads YAML: every scalar value that is wholly a color. Aliases and tags are not resolved, and faults cost no more than themselves. */
export function readYaml(at: Embedded, emitter: Emitter): void {
  const read = (token: CST.FlowScalar, path: readonly string[]) => {
    const { type, offset, source } = token
    const end = offset + source.length
    if (type === 'scalar') {
      const value = part(at, offset, end)
      readSetting({ value: { ...value, drawing: value.drawing ?? { encoding: 'plain-scalar' } }, path }, emitter)
    } else if (type !== 'alias')
      readSetting({ value: codeString(at, { start: offset + 1, end: Math.max(offset + 1, end - 1) }), path }, emitter)
  }
  const pending: { token: CST.Token; path: readonly string[] }[] = []
  for (const token of new Parser().parse(at.text)) {
    pending.push({ token, path: [] })
    for (let next = pending.pop(); next; next = pending.pop()) {
      const { token: each, path } = next
      if (each.type === 'document') {
        if (each.value) pending.push({ token: each.value, path })
      } else if ('items' in each) {
        for (const { key, value } of each.items)
          if (value) pending.push({ token: value, path: key ? [...path.slice(1 - DEEPEST), nameOf(key)] : path })
      } else if (isScalar(each)) read(each, path)
    }
  }
}

function isScalar(token: CST.Token): token is CST.FlowScalar {
  return /^(?:scalar|single-quoted-scalar|double-quoted-scalar|alias)$/.test(token.type)
}

/** A key as written, without quotes. */
function nameOf(key: CST.Token): string {
  return isScalar(key) ? key.source.replace(/^["']|["']$/g, '').slice(0, 100) : ''
}
