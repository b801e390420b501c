import {
  countBy,
  type Ledger,
  listsIn,
  regionsAround,
  type Scope,
  type ScopePage,
  splitList,
  statesOf,
  type Target,
  type Use,
  widthsOf,
} from '@undo-ink/core'
import { stateText } from '../../../components/words.ts'
import type { PlaceOf } from '../../../work/places.ts'

/** The dimensions in which a decision can be limited, in the order in which they are offered. */
export const DIMENSIONS = ['use', 'alpha', 'selector', 'state', 'region', 'page', 'width', 'heading', 'file'] as const
export type Dimension = (typeof DIMENSIONS)[number]

/** What is chosen in some dimensions, as texts. */
export type Limits = Readonly<Partial<Record<Dimension, string>>>

/** A value to choose, and how often it stands among the places, or on the site. */
export type Option = readonly [value: string, count: number]

/** More of one dimension are not offered: nobody would find one among them. */
const MOST_OPTIONS = 200

/** Selectors that are taken apart for regions: those of a site of any size in a few tenths of a second. */
const MOST_SELECTORS = 4000

/** Regions by the ledger that they were found in. */
const regionsOfSites = new WeakMap<Ledger, readonly Option[]>()

/** What the places of a row can be limited by: only what the audit found, most frequent first. */
export function scopeOptions(
  places: readonly PlaceOf[],
  ledger: Ledger,
  pages: readonly ScopePage[],
): Readonly<Record<Dimension, readonly Option[]>> {
  const by = (values: (place: PlaceOf) => readonly string[]) =>
    sorted(countBy(places.flatMap(values), (value) => value))
  return {
    use: by(({ use }) => [use]),
    alpha: by(({ alpha }) => (alpha === null ? [] : [String(alpha)])),
    selector: by(({ selector }) => (selector === null ? [] : [...new Set(splitList(selector))])),
    state: by(({ signals }) => {
      const states = statesOf(signals)
      return states.length === 0 ? [stateText(signals)] : states
    }),
    region: regionsOf(ledger),
    page: sorted(
      new Map(pages.map(({ path, files }) => [path, places.filter((place) => files.includes(place.path)).length])),
    ),
    width: sorted(countBy(listsIn(ledger, 'atRules').flatMap(widthsOf), (width) => width)),
    heading: by(({ heading }) => (heading === null ? [] : [heading])),
    file: by(({ path }) => [path]),
  }
}

/** The regions that the selectors of a site name. */
function regionsOf(ledger: Ledger): readonly Option[] {
  const known = regionsOfSites.get(ledger)
  if (known) return known
  const selectors = ledger.columns.selector.values.slice(0, MOST_SELECTORS).filter((list) => list !== null)
  const found = sorted(
    countBy(
      selectors.flatMap((list) => splitList(list).flatMap(regionsAround)),
      (region) => region,
    ),
  )
  regionsOfSites.set(ledger, found)
  return found
}

function sorted(counts: ReadonlyMap<string, number>): Option[] {
  return [...counts]
    .filter(([, count]) => count > 0)
    .toSorted(([a, m], [b, n]) => n - m || (a < b ? -1 : 1))
    .slice(0, MOST_OPTIONS)
}

/** The target of some colors within limits. */
export function limitedTarget(colors: readonly string[], limits: Limits): Target {
  const { use, alpha, ...rest } = limits
  const scope = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined)) as Scope
  return {
    colors: colors.toSorted(),
    ...(use === undefined ? {} : { use: use as Use }),
    ...(alpha === undefined ? {} : { alphas: [Number(alpha)] }),
    ...(Object.keys(scope).length > 0 ? { scope } : {}),
  }
}
