import {
  type Cluster,
  type Column,
  isDecided,
  type Outcome,
  opaqueKey,
  paintOf,
  type Role,
  STANDINGS,
  type Use,
} from '@undo-ink/core'
import { countBy, type SitePlaces } from './places.ts'

/** One part of what becomes of some places. */
export interface Share {
  /** `role`: of the palette; `color`: another color, its own or one that follows; `inherit`: the parent's. */
  readonly kind: 'open' | 'keep' | 'role' | 'color' | 'inherit'
  readonly role: Role | null
  /** What it is painted with; null: nothing new, or what the parent has. */
  readonly paint: string | null
  readonly text: string
  readonly count: number
}

/** What becomes of some places, largest share first. @param indices of the places */
export function sharesOf(indices: Uint32Array, { codes, values }: Column<Outcome>): Share[] {
  const shares = new Map<string, Share>()
  const counts = [...countBy(indices, (index) => codes[index] as number)].toSorted((a, b) => b[1] - a[1])
  for (const [code, count] of counts) {
    const share = shareOf(values[code] as Outcome)
    const key = `${share.kind} ${share.role?.id ?? ''} ${share.text}`
    shares.set(key, { ...(shares.get(key) ?? share), count: count + (shares.get(key)?.count ?? 0) })
  }
  return [...shares.values()].toSorted((a, b) => b.count - a.count)
}

function shareOf(outcome: Outcome): Omit<Share, 'count'> {
  const color = paintOf(outcome)
  const paint = color && opaqueKey(color)
  const text = becomesText(outcome)
  switch (outcome.kind) {
    case 'role':
      return { kind: 'role', role: outcome.role, paint, text }
    case 'color':
    case 'keep':
    case 'inherit':
      return { kind: outcome.kind, role: null, paint, text }
    default:
      return { kind: 'open', role: null, paint, text }
  }
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
    case 'inherit':
      return 'the colour of its parent'
    case 'role-gone':
      return 'open: its role is gone'
    case 'lead-open':
      return 'open: what it follows is open'
    case 'cannot-inherit':
      return 'open: it cannot take its parent’s colour'
    case 'open':
      return 'open'
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
  /** Indices of its places. */
  readonly indices: Uint32Array
  readonly uses: readonly (readonly [Use, number])[]
  /** Number of ways in which it is written. */
  readonly spellings: number
  readonly shares: readonly Share[]
  readonly open: number
  /** Whether others can follow it: some of it takes a role, or a color that itself follows none. */
  readonly leads: boolean
}

/** The rows of a chosen stretch of the bands; all of them where none is chosen. */
export function rowsIn(rows: readonly Row[], stretch: readonly string[] | null): readonly Row[] {
  return stretch === null ? rows : rows.filter(({ cluster }) => stretch.includes(cluster.lead))
}

/** The rows again, each that says the same as before as the same object, so that nothing of it is drawn anew. */
export function reuseRows(before: readonly Row[], now: readonly Row[]): Row[] {
  const known = new Map(before.map((row) => [row.key, row]))
  return now.map((row) => {
    const old = known.get(row.key)
    return old &&
      old.indices.length === row.indices.length &&
      old.cluster.byHand === row.cluster.byHand &&
      sameMembers(old.cluster, row.cluster) &&
      sameShares(old, row)
      ? old
      : row
  })
}

export function sameMembers(a: Cluster, b: Cluster): boolean {
  return a === b || (a.members.length === b.members.length && a.members.every((key, i) => key === b.members[i]))
}

function sameShares(a: Row, b: Row): boolean {
  return (
    a.shares.length === b.shares.length &&
    a.shares.every(
      ({ kind, role, text, paint, count }, i) =>
        kind === b.shares[i]?.kind &&
        role === b.shares[i]?.role &&
        text === b.shares[i]?.text &&
        paint === b.shares[i]?.paint &&
        count === b.shares[i]?.count,
    )
  )
}

/** The row of a cluster as it stands; what does not change with the plan is taken from an earlier row of the same cluster. */
export function rowOf(
  places: SitePlaces,
  outcomes: Column<Outcome>,
  cluster: Cluster,
  use: Use | null = null,
  before: Row | null = null,
): Row {
  const fixed = before ?? fixedPart(places, cluster, use)
  const shares = sharesOf(fixed.indices, outcomes)
  return {
    key: use === null ? cluster.lead : `${cluster.lead} ${use}`,
    cluster,
    use,
    indices: fixed.indices,
    uses: fixed.uses,
    spellings: fixed.spellings,
    shares,
    leads: shares.some(({ kind, paint, text }) => kind === 'role' || (kind === 'color' && paint === text)),
    open: shares.reduce((sum, { kind, count }) => (kind === 'open' ? sum + count : sum), 0),
  }
}

function fixedPart(places: SitePlaces, cluster: Cluster, use: Use | null): Pick<Row, 'indices' | 'uses' | 'spellings'> {
  const { columns } = places.ledger
  const all = places.ofColors(cluster.members)
  const indices =
    use === null ? all : all.filter((index) => columns.use.values[columns.use.codes[index] as number] === use)
  const uses = [...countBy(indices, (index) => columns.use.codes[index] as number)]
    .map(([code, count]) => [columns.use.values[code] as Use, count] as const)
    .toSorted((a, b) => b[1] - a[1])
  return { indices, uses, spellings: countBy(indices, (index) => columns.raw.codes[index] as number).size }
}

/** How far a plan is, in places. */
export interface Standing {
  /** Of each place: index into STANDINGS of core. */
  readonly codes: Uint8Array
  readonly toRole: number
  readonly kept: number
}

const KEPT = STANDINGS.indexOf('kept')
const DECIDED = STANDINGS.indexOf('decided')

/** Whether each place is open, decided or kept. */
export function standingOf({ codes, values }: Column<Outcome>): Standing {
  const standings = values.map((outcome) => (outcome.kind === 'keep' ? KEPT : isDecided(outcome) ? DECIDED : 0))
  const counts = [0, 0, 0]
  const own = new Uint8Array(codes.length)
  for (let at = 0; at < codes.length; at++) {
    const standing = standings[codes[at] as number] as number
    own[at] = standing
    counts[standing] = (counts[standing] as number) + 1
  }
  return { codes: own, toRole: counts[DECIDED] as number, kept: counts[KEPT] as number }
}
