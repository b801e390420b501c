import type { Range } from '../../text/range.ts'
import { isNamedAddress } from '../named.ts'
import { walkCode } from '../scan/code.ts'
import { wholeColor } from '../scan/code-string.ts'
import type { Tag } from './tags.ts'

/** A string in the code of a tag. */
export interface TagString extends Range {
  readonly quote: string
  /** What it is a value of: the key of an array, the name of a variable or of an argument; null: unknown. */
  readonly key: string | null
  /** `tested`: it is only compared with something; `fallback`: it stands for a value that is missing. */
  readonly role: 'tested' | 'fallback' | 'plain'
}

/** The strings of a tag, in their order. */
export function stringsOf(text: string, { code, kind, syntax }: Tag): TagString[] {
  if (kind === 'comment' || kind === 'yaml' || kind === 'script') return []
  const strings: TagString[] = []
  walkCode(text, code.start, code.end, syntax, ({ start, end }, quote) => {
    strings.push({ start, end, quote, ...placeOf(text, code, start - quote.length, end + quote.length) })
  })
  return strings
}

/** Units before a string that are looked at for what it is. */
const BEFORE = 80

const KEY = /(?:["']([^"'\n]{1,50})["']\s*\]?|([\w$-]+)\s*\]?)\s*(?:=>|[:=])\s*$/
/** `define('X', '#fff')`, `get_theme_mod('x', '#fff')`: the string before names it. */
const ARGUMENT = /["']([\w-]{1,50})["']\s*,\s*$/
const TESTED = /(?:[=!<>]=|\b(?:eq|ne|contains|in|is|case))\s*$/
const FALLBACK = /(?:\bdefault\s*[:(]|\b(?:default|or)\s+(?:[\w.@/-]+\s+)?|\?\??|\?:|\|\||[^:]:|\belse)\s*$/
/** `'tan' if x else y`. */
const CONDITION = /^\s*if\s/

function placeOf(text: string, code: Range, open: number, after: number): Pick<TagString, 'key' | 'role'> {
  const before = text.slice(Math.max(code.start, open - BEFORE), open)
  if (TESTED.test(before) || /^\s*[=!]=/.test(text.slice(after, after + 12))) return { key: null, role: 'tested' }
  const key = KEY.exec(before) ?? ARGUMENT.exec(before) ?? attributeAround(text, code.start)
  const role = FALLBACK.test(before) || CONDITION.test(text.slice(after, after + 12)) ? 'fallback' : 'plain'
  return { key: key?.[1] ?? key?.[2] ?? null, role }
}

/** `<a href="{{ '#bed' }}">`: an attribute whose value a tag writes; what stands before the tag in it is of its value too. */
const ATTRIBUTE = /[\s"']([\w:@.-]{1,50})\s*=\s*(?:"[^"<>]*|'[^'<>]*)$/

function attributeAround(text: string, code: number): RegExpExecArray | null {
  const opening = /(?:\{\{[{!-]*|\{%-?|\{!!|<\?(?:php|=)?|<%[-=]?)\s*$/.exec(text.slice(Math.max(0, code - 10), code))
  const before = text.slice(Math.max(0, code - BEFORE), code - (opening?.[0].length ?? 0))
  const found = ATTRIBUTE.exec(before)
  return found && isNamedAddress(found[1] ?? '') ? found : null
}

/** The strings of a tag that writes something which are wholly a color: what is written in its place, when nothing else is. */
export function colorsWritten(text: string, { kind }: Tag, strings: readonly TagString[]): Range[] {
  if (kind !== 'output') return []
  return strings.filter(({ start, end, role, key }) => {
    const color = role === 'tested' || (key !== null && isNamedAddress(key)) ? null : wholeColor(text.slice(start, end))
    return color !== null && (color !== 'name' || role === 'fallback')
  })
}
