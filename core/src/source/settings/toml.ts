import { type Embedded, part } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { type CodeSyntax, walkCode } from '../scan/code.ts'
import { codeString } from '../scan/code-string.ts'
import { readSetting } from './setting.ts'

const TOML: CodeSyntax = { lineComments: ['#'], blockComments: false, longStrings: false, close: null }

/** Reads TOML: every string of one line that is wholly a color. */
export function readToml(at: Embedded, emitter: Emitter): void {
  const { text } = at
  walkCode(text, 0, text.length, TOML, ({ start, end }, quote) => {
    const near = text.slice(Math.max(0, start - LONGEST_BEFORE), start - 1)
    const before = near.slice(near.lastIndexOf('\n') + 1)
    const key = KEY.exec(before)?.[1]
    const isKey = /^\s*(?:\.|=(?!=)|\])/.test(text.slice(end + 1, end + 10))
    if (isKey) return
    const path = key === undefined ? [] : key.split('.').map((each) => each.trim().replace(/^["']|["']$/g, ''))
    readSetting({ value: quote === '"' ? codeString(at, { start, end }) : part(at, start, end), path }, emitter)
  })
}

/** The last key of the line before a value: `a.b = `, also within `{ }` and lists. */
const KEY = /(?:^|[{,\s])((?:["']?[\w-]+["']?\s*\.\s*){0,6}["']?[\w-]+["']?)\s*=[^=]*$/
const LONGEST_BEFORE = 200
