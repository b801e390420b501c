import { STANDINGS } from '../ledger/facets.ts'
import type { Column } from '../ledger/ledger.ts'
import { isDecided, type Outcome } from './outcome.ts'

/** How far a plan is, in places: the one count of what is decided. */
export interface Standing {
  /** Of each place: index into STANDINGS. */
  readonly codes: Uint8Array
  /** Places that take something new, wholly or for a part of what they paint. */
  readonly changed: number
  readonly kept: number
  /** Places that are only possibly colors and not confirmed: they stand apart, neither decided nor open. */
  readonly possible: number
}

const CODES = Object.fromEntries(STANDINGS.map((name, i) => [name, i])) as Record<(typeof STANDINGS)[number], number>

/** Whether each place is open, decided, kept, or stands apart. */
export function standingOf({ codes, values }: Column<Outcome>): Standing {
  const standings = values.map((outcome) => CODES[standingName(outcome)])
  const counts = STANDINGS.map(() => 0)
  const own = new Uint8Array(codes.length)
  for (let at = 0; at < codes.length; at++) {
    const standing = standings[codes[at] as number] as number
    own[at] = standing
    counts[standing] = (counts[standing] as number) + 1
  }
  const count = (name: (typeof STANDINGS)[number]) => counts[CODES[name]] as number
  return { codes: own, changed: count('decided'), kept: count('kept'), possible: count('possible') }
}

function standingName(outcome: Outcome): (typeof STANDINGS)[number] {
  if (outcome.kind === 'keep') return 'kept'
  if (outcome.kind === 'possible') return 'possible'
  return isDecided(outcome) ? 'decided' : 'open'
}

/** Places of which the plan says what becomes of them, kept ones too. */
export function decidedIn({ changed, kept }: Standing): number {
  return changed + kept
}
