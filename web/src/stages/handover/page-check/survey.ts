import type { AgentSays } from '@undo-ink/contracts'
import type { AddressResolver, LeftOutSheet, OpaqueKey } from '@undo-ink/core'

/** What the agent told of one page. */
export type Surveyed = Extract<AgentSays, { kind: 'surveyed' }>

/** Why elements still show a color that was decided away. */
export type Reason = 'left-out' | 'image' | 'browser' | 'own-style' | 'unknown'

/** Elements of several pages that show one color for one reason. */
export interface Remnant {
  readonly color: OpaqueKey
  readonly reason: Reason
  /** The file that paints it; null: none is known. */
  readonly path: string | null
  readonly elements: number
  /** Paths of the pages. */
  readonly pages: readonly string[]
  /** One of the elements, described. */
  readonly example: string
}

/** What is left on the pages: the unexplained first, then most elements first. @param surveys by path of the page @param resolver of the copy */
export function remnantsOf(
  surveys: ReadonlyMap<string, Surveyed>,
  leftOut: readonly Pick<LeftOutSheet, 'path'>[],
  { address }: Pick<AddressResolver, 'address'>,
): Remnant[] {
  const isLeftOut = new Set(leftOut.map(({ path }) => path))
  const found = new Map<string, Remnant>()
  for (const [page, survey] of surveys)
    for (const { color, source, elements, example } of survey.found) {
      // A sheet is named by the address that the page has for it, which may lead elsewhere in the copy.
      const path = source?.startsWith('/') ? address(source, page, null) : null
      const reason = reasonOf(source, path, isLeftOut)
      const key = `${color} ${reason} ${path}`
      const known = found.get(key)
      found.set(
        key,
        known
          ? {
              ...known,
              elements: known.elements + elements,
              pages: known.pages.includes(page) ? known.pages : [...known.pages, page],
            }
          : { color, reason, path, elements, pages: [page], example },
      )
    }
  return [...found.values()].toSorted(
    (a, b) => Number(b.reason === 'unknown') - Number(a.reason === 'unknown') || b.elements - a.elements,
  )
}

function reasonOf(source: string | null, path: string | null, isLeftOut: ReadonlySet<string>): Reason {
  if (source === 'image' || source === 'browser') return source
  if (source === 'style' || source === 'attribute') return 'own-style'
  return path !== null && isLeftOut.has(path) ? 'left-out' : 'unknown'
}

/** A rule that was added and that no element of any page takes. */
export type LostRule = Surveyed['rules'][number]

/** Rules that find no element, or lose on every one. What cannot be told at rest is not among them. */
export function lostRules(surveys: readonly Surveyed[]): LostRule[] {
  const told = new Map<string, LostRule>()
  for (const rule of surveys.flatMap(({ rules }) => rules)) {
    const key = `${rule.property} ${rule.color} ${rule.selector}`
    const known = told.get(key)
    told.set(key, known ? { ...known, found: known.found + rule.found, taking: known.taking + rule.taking } : rule)
  }
  return [...told.values()].filter(({ taking }) => taking === 0)
}
