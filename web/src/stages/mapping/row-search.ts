import { deltaE2000, isOfFamily, labOf, parseColor, readQuery } from '@undo-ink/core'
import type { SitePlaces } from '../../work/places.ts'
import type { Row } from '../../work/standing.ts'

/** ΔE00 within which a cluster is near a color that is sought. */
const NEAR = 8

/** The rows that hold what is sought: near a color, of a family of colors, or with a text in a selector, a property, a variable or a role's name. */
export function searchedRows(rows: readonly Row[], typed: string, places: SitePlaces): readonly Row[] {
  const query = readQuery(typed)
  if (query === null) return rows
  if (query.kind === 'color') {
    const color = parseColor(query.color)
    if (!color) return []
    const lab = labOf(color)
    const near = rows.flatMap((row) => {
      const distance = Math.min(...row.cluster.members.map((key) => distanceTo(key, lab)))
      return distance <= NEAR ? [{ row, distance }] : []
    })
    return near.toSorted((a, b) => a.distance - b.distance).map(({ row }) => row)
  }
  const holding = holdingText(query.text, places)
  return rows.filter(
    ({ cluster: { members }, shares }) =>
      members.some((key) => holding.has(key) || (query.kind === 'family' && isOf(key, query.text))) ||
      shares.some(({ text }) => text.toLowerCase().includes(query.text.toLowerCase())),
  )
}

function distanceTo(key: string, lab: ReturnType<typeof labOf>): number {
  const color = parseColor(key)
  return color ? deltaE2000(labOf(color), lab) : Number.POSITIVE_INFINITY
}

function isOf(key: string, family: string): boolean {
  const color = parseColor(key)
  return color !== null && isOfFamily(color, family)
}

/** The colors of places that hold a text. Linear in the places. */
function holdingText(text: string, { ledger }: SitePlaces): ReadonlySet<string> {
  const sought = text.toLowerCase()
  const { selector, property, variable, heading, color } = ledger.columns
  const hits = [selector, property, variable, heading].map(({ codes, values }) => ({
    codes,
    is: (values as readonly (string | null)[]).map((value) => value?.toLowerCase().includes(sought) === true),
  }))
  const found = new Set<number>()
  for (let at = 0; at < ledger.length; at++)
    if (hits.some(({ codes, is }) => is[codes[at] as number])) found.add(color.codes[at] as number)
  return new Set([...found].flatMap((code) => color.values[code] ?? []))
}
