import { deltaE2000, labOf, type OpaqueKey, parseColor } from '@undo-ink/core'
import type { Row } from '../../work/standing.ts'

/** How far two colors are apart, ΔE00. */
export function apart(a: OpaqueKey, b: OpaqueKey): number {
  const [x, y] = [parseColor(a), parseColor(b)]
  return x && y ? deltaE2000(labOf(x), labOf(y)) : Number.POSITIVE_INFINITY
}

/** The lead of another row that is nearest to a color; null: there is no other. */
export function nearestLead(color: OpaqueKey, rows: readonly Row[]): OpaqueKey | null {
  const others = rows.filter(({ use, cluster }) => use === null && cluster.lead !== color)
  const [first, ...rest] = others.map(({ cluster }) => ({ lead: cluster.lead, distance: apart(color, cluster.lead) }))
  return first ? rest.reduce((best, next) => (next.distance < best.distance ? next : best), first).lead : null
}
