import parser, { type Node } from 'postcss-selector-parser'

/** One compound of a selector: its simple selectors as written, and whether it is the subject or an ancestor of it. */
interface Compound {
  readonly simple: readonly string[]
  readonly isAround: boolean
}

/** Longer selectors are not taken apart. */
const LONGEST = 2000

function compoundsOf(selector: string): Compound[] | null {
  if (selector.length > LONGEST) return null
  try {
    const [only, ...more] = parser().astSync(selector).nodes
    if (!only || more.length > 0) return null
    const found: { simple: string[]; isAround: boolean }[] = [{ simple: [], isAround: true }]
    for (const node of only.nodes) {
      const last = found.at(-1) as (typeof found)[number]
      if (node.type === 'combinator') {
        // What stands before its sibling is around nothing.
        if (/[+~|]/.test(node.value)) last.isAround = false
        found.push({ simple: [], isAround: true })
      } else if (node.type !== 'comment') last.simple.push(simpleText(node))
    }
    return found
  } catch {
    return null
  }
}

function simpleText(node: Node): string {
  const text = node.toString().trim()
  return node.type === 'tag' ? text.toLowerCase() : text
}

/** Whether a text can name a region: one compound selector of types, classes, ids and attributes, with nothing in it that could end a rule. */
export function isRegion(text: string): boolean {
  if (/[{}()<>;@\\/\r\n]/.test(text)) return false
  const compounds = compoundsOf(text)
  const [only] = compounds ?? []
  return (
    compounds?.length === 1 && !!only && only.simple.length > 0 && only.simple.every((each) => !/^[:*&]/.test(each))
  )
}

/** Whether a selector says by itself that what it finds is an element of the region, or within one. Selectors that cannot be taken apart say nothing. */
export function saysWithin(selector: string, region: string): boolean {
  const wanted = compoundsOf(region)?.[0]?.simple ?? []
  const compounds = compoundsOf(selector) ?? []
  return (
    wanted.length > 0 &&
    compounds.some(({ simple, isAround }) => isAround && wanted.every((each) => simple.includes(each)))
  )
}

/** Whether a selector finds the root of a page alone, which stands within nothing. */
export function isRoot(selector: string): boolean {
  const subject = compoundsOf(selector)?.at(-1)?.simple ?? []
  return subject.some((each) => each === 'html' || each.toLowerCase() === ':root')
}

/** The compounds around the subject of a selector that can name a region, outermost first. */
export function regionsAround(selector: string): string[] {
  const compounds = compoundsOf(selector)?.slice(0, -1) ?? []
  return compounds
    .filter(({ isAround }) => isAround)
    .map(({ simple }) => simple.filter((each) => !each.startsWith(':')).join(''))
    .filter((text) => text !== '' && isRegion(text))
}
