import { clustersAt, TOLERANCES } from '../cluster/clusters.ts'
import { link } from '../cluster/linkage.ts'
import type { OpaqueKey } from '../color/color.ts'
import type { Use } from '../source/occurrence.ts'
import type { Offer, Offered } from './formats/offer.ts'

/** How often a site writes a color by hand for a use. */
export interface Used {
  readonly color: OpaqueKey
  readonly use: Use
  readonly count: number
}

const MOST = 12

/** The most used colors of a site, near-duplicates (ΔE00 2) as one, each named by what it mostly paints, its rank in that and its number of places. */
export function usedColors(used: readonly Used[]): Offer {
  const counts = new Map<OpaqueKey, number>()
  for (const { color, count } of used) counts.set(color, (counts.get(color) ?? 0) + count)
  const clusters = clustersAt(link(counts.keys()), TOLERANCES[1]?.value ?? 2, counts).slice(0, MOST)
  const ranks = new Map<Use, number>()
  const colors = clusters.map(({ lead, members, count }, i): Offered => {
    const use = mainUse(used.filter(({ color }) => members.includes(color)))
    const rank = (ranks.get(use) ?? 0) + 1
    ranks.set(use, rank)
    const places = count === 1 ? '1 place' : `${count} places`
    return { name: `${use} ${rank}, ${places}`, color: lead, line: i + 1, remark: null }
  })
  return { format: 'site', colors, refused: [] }
}

/** What a color is mostly used for; a variable, only where nothing else is known. */
function mainUse(used: readonly Used[]): Use {
  const counts = new Map<Use, number>()
  for (const { use, count } of used) counts.set(use, (counts.get(use) ?? 0) + count)
  const known = [...counts].filter(([use]) => use !== 'variable')
  return known.toSorted(([a, m], [b, n]) => n - m || (a < b ? -1 : 1))[0]?.[0] ?? 'variable'
}
