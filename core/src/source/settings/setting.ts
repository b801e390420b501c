import type { Embedded } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { isNamedAddress, isNamedColor, namedKind } from '../named.ts'
import { type Confidence, type Context, type Evidence, OUTSIDE_RULES } from '../occurrence.ts'
import { wholeColor } from '../scan/code-string.ts'
import { findInValue } from '../value/value.ts'

/** A value of a settings file, with the way back to where it is written. */
export interface Setting {
  readonly value: Embedded
  /** The keys that lead to it, from the outermost in; items of lists have none of their own. */
  readonly path: readonly string[]
}

/** Keys that say no more than that a value follows. */
const VALUE_KEY = /^\$?(?:value|default|default_?value|hex|rgba?|val)$/i
/** More keys around a value than tell anything of it. */
const NEAR = 4

/** Reports a value that is wholly a color, or wholly a gradient; anything else is none. */
export function readSetting({ value, path }: Setting, emitter: Emitter): void {
  const { text } = value
  const kind = wholeColor(text)
  if (kind === null && !/^\s*[a-z-]*gradient\([^;]*\)\s*$/i.test(text)) return
  const near = path.slice(-NEAR)
  const last = near.at(-1) ?? ''
  const holder = VALUE_KEY.test(last) ? (near.at(-2) ?? last) : last
  if (isNamedAddress(holder)) return
  const isNamed = kind === 'name' ? isNamedColor(holder) : near.some(isNamedColor)
  const confidence = judge(kind, isNamed)
  if (confidence === null) return
  const { property, use } = namedKind(holder)
  const evidence: Evidence = kind === null ? 'css-text' : isNamed ? 'named' : 'whole-value'
  const context: Context = {
    ...OUTSIDE_RULES,
    property: property || 'value',
    use: use === 'other' ? (near.map((key) => namedKind(key).use).findLast((each) => each !== 'other') ?? use) : use,
    heading: path.length > 1 ? path.slice(0, -1).join(' / ').slice(0, 100) : null,
    important: false,
    variable: null,
    opacity: null,
    literalOnly: true,
    evidence,
  }
  for (const hit of findInValue(text, 'color')) emitter.hit(value, 0, { ...hit, confidence }, context)
}

function judge(kind: ReturnType<typeof wholeColor>, isNamed: boolean): Confidence | null {
  if (kind === 'name') return isNamed ? 'likely' : null
  if (isNamed && kind !== null) return 'certain'
  return kind === 'short-hex' ? 'possible' : 'likely'
}
