import type { OpaqueKey, Color as RgbColor } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { toSpace } from '../color/space.ts'
import type { Use } from '../source/occurrence.ts'
import { JOBS, roleFor } from './jobs.ts'
import { type Role, readRoleColor } from './role.ts'
import { type ColorTraits, type Observed, type SiteColor, type SiteColors, siteColors } from './site-colors.ts'
import { foundFor, isSame, LEADING, type Reason, type RolesByJob, type UseSuggestion } from './suggested-use.ts'

/** What a color, or one use of it, could become, and how sure that is. */
export interface Suggestion extends UseSuggestion {
  /** null: every use. */
  readonly use: Use | null
}

/** ΔE00 below which two colors are one: nobody can tell them apart (common practice, no source). */
const VERY = 1

/** Reasons that are of the color itself, not of one use of it: they can speak for all its uses. */
const OF_THE_COLOR: readonly Reason[] = ['called', 'most-used-hue', 'second-hue', 'shade', 'named', 'same-color']

/**
 * Tells what each cluster could become: by what its author calls it, from what it is used for, through variables too, its rank, its lightness and chroma, its relation to others and the names around it; never by nearness alone. What
 * is said of most places of a color comes first and is suggested for all of them, further suggestions are for the uses that speak for something else. Deterministic. What is worked out of a color is kept: other clusters of the same colors are told faster.
 * @returns a function of clusters, most used first
 */
export function suggester(roles: readonly Role[]): (clusters: readonly Observed[]) => Map<OpaqueKey, Suggestion[]> {
  const lookOf = lookingWith(roles)
  const byJob: RolesByJob = new Map(
    [...JOBS, 'notice'].flatMap((job) => {
      const role = roleFor(job, roles)
      const color = role && readRoleColor(role.color)
      if (!color || typeof color === 'string') return []
      return [[job, { id: role.id, color, l: toSpace('oklch', color)[0] }] as const]
    }),
  )
  return (clusters) => {
    const colors = clusters.flatMap((each): SiteColor[] => {
      const look = lookOf(each.lead)
      return look ? [{ ...each, ...look }] : []
    })
    const site = siteColors(colors)
    return new Map(colors.map((color) => [color.lead, suggestedFor(color, site, byJob)]))
  }
}

/** null: it is no color. */
function lookingWith(roles: readonly Role[]): (key: OpaqueKey) => ColorTraits | null {
  const palette = roles.flatMap((role) => {
    const color = readRoleColor(role.color)
    return typeof color === 'string' ? [] : [{ role, lab: labOf(color) }]
  })
  const known = new Map<OpaqueKey, ColorTraits | null>()
  return (key) => {
    const before = known.get(key)
    if (before !== undefined) return before
    const color = parseColor(key)
    const look = color && lookOf(color)
    known.set(key, look)
    return look
  }
  function lookOf(color: RgbColor): ColorTraits {
    const [l, c, h] = toSpace('oklch', color)
    const own = labOf(color)
    return { l, c, h, same: palette.find(({ lab }) => deltaE2000(lab, own) < VERY)?.role ?? null }
  }
}

interface SaidOfUse {
  readonly use: Use
  readonly found: UseSuggestion
  readonly places: number
}

function suggestedFor(color: SiteColor, site: SiteColors, roles: RolesByJob): Suggestion[] {
  const told = [...color.seen.uses]
    .flatMap(([use, seen]): SaidOfUse[] => {
      const found = foundFor({ color, use, seen, site, roles })
      return found ? [{ use, places: seen.places, found: { ...found, sureness: sureIn(use, found.sureness) } }] : []
    })
    .toSorted((a, b) => b.places - a.places)
  const placesTo = ({ to }: UseSuggestion) =>
    told.reduce((sum, each) => (isSame(each.found.to, to) ? sum + each.places : sum), 0)
  const isSaidByAll =
    told.length === color.seen.uses.size && told.every(({ found }) => isSame(found.to, (told[0] as SaidOfUse).found.to))
  // Where each use says the same, it is as sure as they are on the whole.
  if (told[0] && isSaidByAll) {
    const sureness = told.reduce((sum, { found, places }) => sum + found.sureness * places, 0) / color.seen.places
    return [{ ...told[0].found, use: null, sureness: round(sureness) }]
  }
  const [main] = told
    .filter(({ found }) => OF_THE_COLOR.includes(found.why))
    .toSorted((a, b) => placesTo(b.found) - placesTo(a.found))
  const share = main ? placesTo(main.found) / color.seen.places : 0
  const apart = (some: readonly SaidOfUse[]) =>
    some.map(({ use, found }) => ({ ...found, use, sureness: round(found.sureness) }))
  if (!main || share < LEADING) return apart(told)
  // What nothing is said of goes along; what speaks against is suggested apart.
  return [
    { ...main.found, use: null, sureness: round(main.found.sureness * (0.6 + 0.4 * share)) },
    ...apart(told.filter(({ found }) => !isSame(found.to, main.found.to))),
  ]
}

/** As sure as anything of a picture is said: what it shows is not known. */
const PICTURE = 0.75

function sureIn(use: Use, sureness: number): number {
  return use === 'fill' || use === 'stroke' ? Math.min(PICTURE, sureness) : sureness
}

function round(sureness: number): number {
  return Math.round(sureness * 100) / 100
}
