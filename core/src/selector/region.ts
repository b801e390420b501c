import { type ComplexSelector, parseSelectorList, type SimpleSelector } from './parse.ts'
import { textOf } from './selector.ts'

/** Longer selectors are not taken apart. */
const LONGEST = 2000

/** One selector alone; null where a text is none, or several. */
function only(text: string): ComplexSelector | null {
  if (text.length > LONGEST) return null
  const [selector, ...more] = parseSelectorList(text) ?? []
  return selector && more.length === 0 ? selector : null
}

/** A compound of a selector, and whether it is the subject or around it: what stands before its sibling is around nothing. */
function compoundsAround({ compounds }: ComplexSelector): { simple: readonly SimpleSelector[]; isAround: boolean }[] {
  return compounds.map(({ simple }, i) => {
    const next = compounds[i + 1]?.combinator
    return { simple, isAround: next === undefined || next === ' ' || next === '>' }
  })
}

/** As two simple selectors are told apart. */
function keyOf({ kind, name, text }: SimpleSelector): string {
  return kind === 'type' ? name : text
}

/** Whether a text can name a region: one compound selector of types, classes, ids and attributes, with nothing in it that could end a rule. */
export function isRegion(text: string): boolean {
  if (/[{}()<>;@\\/\r\n]/.test(text)) return false
  const [compound, ...more] = only(text)?.compounds ?? []
  return compound?.combinator === null && more.length === 0 && compound.simple.every(({ kind }) => NAMES.has(kind))
}

const NAMES: ReadonlySet<SimpleSelector['kind']> = new Set(['type', 'class', 'id', 'attribute'])

/** Whether a selector says by itself that what it finds is an element of the region, or within one. Selectors that cannot be taken apart say nothing. */
export function saysWithin(selector: string, region: string): boolean {
  const wanted = only(region)?.compounds[0]?.simple.map(keyOf) ?? []
  // Whatever is on a page stands within its root.
  if (wanted.length === 1 && wanted[0] === 'html') return true
  const read = wanted.length > 0 ? only(selector) : null
  if (!read) return false
  return compoundsAround(read).some(({ simple, isAround }) => {
    const own = simple.map(keyOf)
    return isAround && wanted.every((each) => own.includes(each))
  })
}

/** Whether all that stands within a region stands within another: its compound asks for all that the other's does. */
export function isWithinRegion(region: string, other: string): boolean {
  return region === other || saysWithin(region, other)
}

/** Whether a selector finds the root of a page alone, which stands within nothing. */
export function isRoot(selector: string): boolean {
  const subject = only(selector)?.compounds.at(-1)?.simple ?? []
  return subject.some(
    ({ kind, name }) => (kind === 'type' && name === 'html') || (kind === 'pseudo-class' && name === 'root'),
  )
}

/** Whether a region can be the root of a page itself: it asks for that. */
export function mayBeRoot(region: string): boolean {
  return only(region)?.compounds[0]?.simple.some(({ kind, name }) => kind === 'type' && name === 'html') === true
}

/** The compounds around the subject of a selector that can name a region, outermost first. */
export function regionsAround(selector: string): string[] {
  const read = only(selector)
  if (!read) return []
  return compoundsAround(read)
    .slice(0, -1)
    .filter(({ isAround }) => isAround)
    .map(({ simple }) => textOf(simple.filter(({ kind }) => kind !== 'pseudo-class' && kind !== 'pseudo-element')))
    .filter((text) => text !== '' && isRegion(text))
}
