import type { LinkFacts } from '../source-link.ts'

type PlacedLink = LinkFacts & { readonly start: number; readonly end: number }

/** `@import`, and what preprocessors have like it. */
export const IMPORTS = /^@(?:import|use|forward|require)\b/

const TARGETS = /url\(\s*(?:"([^"\n]*)"|'([^'\n]*)'|([^)\s"']+))\s*\)|"([^"\n]*)"|'([^'\n]*)'/g
/** Longer than such a statement is written. */
const LONGEST = 2000

/**
 * The files that an import names; offsets within the statement. One of CSS loads a sheet when the page is shown, one of a preprocessor makes
 * another file a part of this one.
 */
export function importsOf(statement: string, isCss: boolean): PlacedLink[] {
  const found: PlacedLink[] = []
  const options = /^@import\s*\(([^)]*)\)/.exec(statement.slice(0, 100))?.[1] ?? ''
  const head = statement.slice(0, LONGEST)
  for (const match of head.matchAll(TARGETS)) {
    const target = match[1] ?? match[2] ?? match[3] ?? match[4] ?? match[5] ?? ''
    const stays = isCss || /\bcss\b/.test(options) || /^url\(/i.test(match[0]) || /^(?:\w+:)?\/\/|\.css$/i.test(target)
    const end = match.index + match[0].length
    const rest = isCss ? statement.slice(end).trim() : ''
    found.push({
      kind: stays ? 'import' : 'compiled',
      target,
      media: rest === '' ? null : rest,
      condition: null,
      applies: 'always',
      start: match.index,
      end,
    })
    // Of CSS only the first is an address; so it is with what stands before `with (...)`.
    if (isCss || /^\s*(?:with|as)\b/.test(head.slice(end))) break
  }
  return found
}

/** Longer addresses name no file of a site; keeps the expression linear. */
const ADDRESS = /url\(\s{0,20}(?:"([^"\n]{0,300})"|'([^'\n]{0,300})'|([^)\s"'][^)\n]{0,300}?))\s{0,20}\)/gi

/** An address in a value. */
export interface Address {
  readonly start: number
  readonly end: number
  readonly target: string
}

/** Every address of a sheet, in its order; none that holds its file itself, or names a part of the page. */
export function addressesOf(text: string): Address[] {
  if (!/url\(/i.test(text)) return []
  const found: Address[] = []
  for (const match of text.matchAll(ADDRESS)) {
    const target = (match[1] ?? match[2] ?? match[3] ?? '').trim()
    if (target !== '' && !/^(?:data:|#)/i.test(target))
      found.push({ start: match.index, end: match.index + match[0].length, target })
  }
  return found
}
