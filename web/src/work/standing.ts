import {
  type Cluster,
  type Column,
  countBy,
  type Outcome,
  opaqueKey,
  paintOf,
  type Role,
  type Use,
} from '@undo-ink/core'
import type { SitePlaces } from './places.ts'

/** One part of what becomes of some places. */
export interface Share {
  /** `part`: decided of a part of what it paints; `possible`: only possibly a color, not confirmed; `role`: of the palette; `color`: another color, its own or one that follows; `inherit`: the parent's. */
  readonly kind: 'open' | 'part' | 'possible' | 'keep' | 'role' | 'color' | 'inherit'
  readonly role: Role | null
  /** What it is painted with; null: nothing new, or what the parent has. */
  readonly paint: string | null
  readonly text: string
  readonly count: number
}

/** How often each outcome, by its code, stands among some places. */
type OutcomeCounts = ReadonlyMap<number, number>

/** What becomes of some places, largest share first. */
function sharesOf(counts: OutcomeCounts, { values }: Column<Outcome>): Share[] {
  const shares = new Map<string, Share>()
  for (const [code, count] of [...counts].toSorted((a, b) => b[1] - a[1])) {
    const share = shareOf(values[code] as Outcome)
    const key = `${share.kind} ${share.role?.id ?? ''} ${share.text}`
    shares.set(key, { ...(shares.get(key) ?? share), count: count + (shares.get(key)?.count ?? 0) })
  }
  return [...shares.values()].toSorted((a, b) => b.count - a.count)
}

function shareOf(outcome: Outcome): Omit<Share, 'count'> {
  const paint = paintKeyOf(outcome)
  const text = becomesText(outcome)
  switch (outcome.kind) {
    case 'role':
      return { kind: 'role', role: outcome.role, paint, text }
    case 'gradient':
      return { kind: 'color', role: null, paint, text }
    case 'open':
      return { kind: outcome.inPart ? 'part' : 'open', role: null, paint, text }
    case 'color':
    case 'keep':
    case 'inherit':
    case 'possible':
      return { kind: outcome.kind, role: null, paint, text }
    default:
      return { kind: 'open', role: null, paint, text }
  }
}

/** The opaque key of what a place is painted with anew; null: with nothing. */
export function paintKeyOf(outcome: Outcome): string | null {
  const color = paintOf(outcome)
  return color && opaqueKey(color)
}

/** What becomes of a place, in words. */
export function becomesText(outcome: Outcome): string {
  switch (outcome.kind) {
    case 'role':
      return `${outcome.role.name}${alphaText(outcome.alpha)}`
    case 'color':
      return `${outcome.follows === null ? opaqueKey(outcome.color) : `follows ${outcome.follows}`}${alphaText(outcome.alpha)}`
    case 'keep':
      return 'kept'
    case 'gradient':
      return `a gradient of ${outcome.stops.map(opaqueKey).join(', ')}`
    case 'inherit':
      return 'the colour of its parent'
    case 'role-gone':
      return 'open: its role is gone'
    case 'lead-open':
      return 'open: what it follows is open'
    case 'cannot-gradient':
      return 'open: no gradient can be declared there'
    case 'cannot-alpha':
      return 'open: it cannot be made that see-through'
    case 'cannot-inherit':
      return 'open: it cannot take its parent’s colour'
    case 'possible':
      return 'only possibly a colour'
    case 'open':
      return outcome.inPart ? 'decided in part' : 'open'
  }
}

/** How see-through a place is written, where it does not keep its own. */
function alphaText(alpha: number | null): string {
  if (alpha === null) return ''
  return alpha === 1 ? ', solid' : ` at ${Math.round(alpha * 100)} %`
}

/** A cluster, or the part of one that has one use, with its places and what becomes of them. */
export interface Row {
  readonly key: string
  readonly cluster: Cluster
  /** null: all uses. */
  readonly use: Use | null
  /** Number of its places. */
  readonly count: number
  /** Indices of its places; put together when they are asked for. */
  readonly indices: Uint32Array
  readonly uses: readonly (readonly [Use, number])[]
  /** Number of ways in which it is written. */
  readonly spellings: number
  /** How see-through it is written, 0 to 1, the most opaque first. */
  readonly alphas: readonly number[]
  readonly shares: readonly Share[]
  readonly open: number
  /** Whether others can follow it: some of it takes a role, or a color that itself follows none. */
  readonly leads: boolean
}

/** The rows of a chosen stretch of the bands; all of them where none is chosen. */
export function rowsIn(rows: readonly Row[], stretch: readonly string[] | null): readonly Row[] {
  return stretch === null ? rows : rows.filter(({ cluster }) => stretch.includes(cluster.lead))
}

/** The rows of some clusters, with what they were made of. */
export interface Rows {
  readonly places: SitePlaces
  readonly outcomes: CountedOutcomes
  readonly rows: readonly Row[]
}

/**
 * The rows of some clusters. One that says the same as before is the same object, so that nothing of it is drawn anew; of a cluster that stayed, under
 * outcomes that stayed, it is not even made.
 */
export function rowsOf(
  places: SitePlaces,
  outcomes: CountedOutcomes,
  clusters: readonly Cluster[],
  before: Rows | null,
): Rows {
  // Of a copy that was read anew, the places are others.
  const known = new Map(before?.places === places ? before.rows.map((row) => [row.key, row]) : [])
  const rows = clusters.map((cluster) => {
    const old = known.get(cluster.lead)
    if (!old || !isSameCluster(old.cluster, cluster)) return rowOf(places, outcomes, cluster)
    const isSame =
      before?.outcomes === outcomes || sameShares(old.shares, sharesOf(tallyOf(places, outcomes, cluster), outcomes))
    return isSame ? old : rowOf(places, outcomes, cluster)
  })
  return { places, outcomes, rows }
}

function isSameCluster(a: Cluster, b: Cluster): boolean {
  return a.count === b.count && a.byHand === b.byHand && sameMembers(a, b)
}

export function sameMembers(a: Cluster, b: Cluster): boolean {
  return a === b || (a.members.length === b.members.length && a.members.every((key, i) => key === b.members[i]))
}

function sameShares(a: readonly Share[], b: readonly Share[]): boolean {
  return (
    a.length === b.length &&
    a.every(
      ({ kind, role, text, paint, count }, i) =>
        kind === b[i]?.kind &&
        role === b[i]?.role &&
        text === b[i]?.text &&
        paint === b[i]?.paint &&
        count === b[i]?.count,
    )
  )
}

/** Outcomes with how often each color has each: what rows are made of, in time that does not grow with the places. */
export interface CountedOutcomes extends Column<Outcome> {
  /** Of each color, by its code. */
  readonly byColor: readonly OutcomeCounts[]
}

/** Linear in the places. */
export function countOutcomes(places: SitePlaces, outcomes: Column<Outcome>): CountedOutcomes {
  return { ...outcomes, byColor: places.tally(outcomes.codes) }
}

/** The row of a cluster as it stands. */
export function rowOf(places: SitePlaces, outcomes: CountedOutcomes, cluster: Cluster): Row {
  const { members } = cluster
  const uses = places.usesOf(members)
  return {
    key: cluster.lead,
    cluster,
    use: null,
    count: [...uses.values()].reduce((sum, count) => sum + count, 0),
    get indices() {
      return places.ofColors(members)
    },
    uses: sortedUses(places, uses),
    spellings: places.spellingsOf(members),
    alphas: places.alphasOf(members),
    ...standingIn(tallyOf(places, outcomes, cluster), outcomes),
  }
}

function tallyOf(places: SitePlaces, outcomes: CountedOutcomes, { members }: Cluster): OutcomeCounts {
  return places.tallyOf(members, outcomes.byColor)
}

/** The part of a row that has one use. */
export function partOf(places: SitePlaces, outcomes: Column<Outcome>, { cluster }: Row, use: Use): Row {
  const { columns } = places.ledger
  const code = columns.use.values.indexOf(use)
  const indices = places.ofColors(cluster.members).filter((index) => columns.use.codes[index] === code)
  return {
    key: `${cluster.lead} ${use}`,
    cluster,
    use,
    count: indices.length,
    indices,
    uses: [[use, indices.length]],
    spellings: countBy(indices, (index) => columns.raw.codes[index] as number).size,
    alphas: [...countBy(indices, (index) => columns.alpha.values[columns.alpha.codes[index] as number]).keys()]
      .filter((alpha) => typeof alpha === 'number')
      .toSorted((a, b) => b - a),
    ...standingIn(
      countBy(indices, (index) => outcomes.codes[index] as number),
      outcomes,
    ),
  }
}

function standingIn(counts: OutcomeCounts, outcomes: Column<Outcome>): Pick<Row, 'shares' | 'open' | 'leads'> {
  const shares = sharesOf(counts, outcomes)
  return {
    shares,
    leads: shares.some(({ kind, paint, text }) => kind === 'role' || (kind === 'color' && paint === text)),
    open: shares.reduce((sum, { kind, count }) => (kind === 'open' ? sum + count : sum), 0),
  }
}

function sortedUses({ ledger }: SitePlaces, uses: ReadonlyMap<number, number>): (readonly [Use, number])[] {
  return [...uses]
    .map(([code, count]) => [ledger.columns.use.values[code] as Use, count] as const)
    .toSorted((a, b) => b[1] - a[1])
}
