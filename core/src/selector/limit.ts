import { parseSelectorList } from './parse.ts'

/** Where the pseudo-elements at the end of a selector begin: nothing but pseudo-classes may follow them (Selectors 4 §3.6). Its end where there are none. */
function endOfElement(selector: string): number {
  const [read] = parseSelectorList(selector) ?? []
  const element = read?.compounds.at(-1)?.simple.find(({ kind }) => kind === 'pseudo-element')
  return element?.start ?? read?.end ?? selector.length
}

/** Whether a selector ends in a pseudo-element. */
export function hasPseudoElement(selector: string): boolean {
  const [read] = parseSelectorList(selector) ?? []
  return read?.compounds.at(-1)?.simple.some(({ kind }) => kind === 'pseudo-element') === true
}

/**
 * A selector for those of its elements alone that are, or stand within, an element of each region; exactly as strong as it was, since `:where()`
 * adds nothing (Selectors 4 §17).
 * @param regions compound selectors
 */
export function limitedTo(selector: string, regions: readonly string[]): string {
  const at = endOfElement(selector)
  const conditions = regions.map((region) => `:where(${region}, ${region} *)`)
  return selector.slice(0, at) + conditions.join('') + selector.slice(at)
}
