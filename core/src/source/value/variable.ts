import type { ChannelFunction } from '../../color/literal.ts'
import type { Taken } from '../occurrence.ts'
import type { ValueHit } from './value-hit.ts'

/** A variable taken within a value; offsets within the value's text. */
export interface Link {
  readonly start: number
  readonly end: number
  /** With its sigil: `--brand`, `$brand`, `@brand`. */
  readonly name: string
  readonly channelsOf: ChannelFunction | null
  readonly taken: Taken
}

/** `var(--x)` of CSS, `$x` of Sass, `@x` and `@{x}` of Less. Not `$x:`, the name of an argument. */
const TAKEN = /var\(\s*(--[^\s,()]+)|([$@][\w-]+)(?!\s*:|[\w-])|@\{([\w-]+)\}/g

/** The variables that a value takes, in its order. Linear. */
export function linksIn(value: string, hits: readonly ValueHit[]): Link[] {
  if (!/--|[$@]/.test(value)) return []
  const only = ONLY.exec(value)
  if (only) return [onlyLink(value, only)]
  const links: Link[] = []
  const takenAt = value.replaceAll('var(', '').includes('(') ? bracketsOf(value) : () => 'plain' as const
  for (const match of value.matchAll(TAKEN)) {
    const [whole, custom, sigil, braced] = match
    const name = custom ?? sigil ?? `@${braced}`
    const end = match.index + whole.length
    const start = custom === undefined ? match.index : end - custom.length
    const by = hits.find((hit) => 'computedBy' in hit.found && hit.start <= start && end <= hit.end)?.found
    const channels = by && 'computedBy' in by && by.channels?.name === name ? by.channels.of : null
    links.push({ start, end, name, channelsOf: channels, taken: takenAt(match.index) })
  }
  return links
}

/** The commonest value of all that take one: a variable and nothing else. */
const ONLY = /^\s*(?:var\(\s*(--[\w-]+)\s*\)|([$@][\w-]+))\s*$/

function onlyLink(value: string, [, custom, sigil]: RegExpExecArray): Link {
  const name = custom ?? (sigil as string)
  const start = value.indexOf(name)
  return { start, end: start + name.length, name, channelsOf: null, taken: 'plain' }
}

const BRACKET = /([\w-]*)\(|\)/g

/** Tells of offsets, asked for in their order, within what they stand: the outermost brackets decide, those of `var()` aside. */
function bracketsOf(value: string): (offset: number) => Taken {
  const brackets = [...value.matchAll(BRACKET)]
  /** For each bracket that is open, how what it holds is taken. */
  const open: Taken[] = []
  let next = 0
  return (offset) => {
    for (; next < brackets.length; next++) {
      const { 0: bracket, 1: name, index } = brackets[next] as RegExpExecArray
      if (index >= offset) break
      const outer = open.at(-1) ?? 'plain'
      if (bracket === ')') open.pop()
      else if (outer !== 'plain' || name?.toLowerCase() === 'var') open.push(outer)
      else open.push(name === '' ? 'listed' : 'made')
    }
    return open.at(-1) ?? 'plain'
  }
}

const NUMBER = String.raw`[+-]?(?:\d+\.?\d*|\.\d+)(?:deg|turn|rad|grad|%)?`
const TRIPLE = new RegExp(
  String.raw`^\s*(${NUMBER}(?:\s*,\s*${NUMBER}\s*,\s*|\s+${NUMBER}\s+)${NUMBER})\s*(?:!\w+\s*)*$`,
)

/** Three bare numbers that are all of a value: the channels of a color, if a color function takes them. */
export function tripleIn(value: string): { readonly start: number; readonly end: number } | null {
  if (value.length > LONGEST_TRIPLE) return null
  const found = TRIPLE.exec(value)?.[1]
  if (found === undefined) return null
  const start = value.indexOf(found)
  return { start, end: start + found.length }
}

/** Longer than three numbers are ever written; keeps the expression linear. */
const LONGEST_TRIPLE = 120
