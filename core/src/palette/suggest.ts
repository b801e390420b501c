import type { OpaqueKey, Color as RgbColor } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { toSpace } from '../color/space.ts'
import type { Use } from '../source/occurrence.ts'
import { type Job, jobsOfRole } from './jobs.ts'
import type { UseObservation } from './observation.ts'
import { plainRoleName, type Role, readRoleColor } from './role.ts'
import {
  isAnothers,
  isHued,
  isOneHue,
  type Look,
  type Observed,
  type SiteColor,
  type SiteColors,
  siteColors,
} from './site-colors.ts'

/** Why something is suggested: what was seen of the color on the site. */
export type Reason =
  | 'called'
  | 'page-ground'
  | 'page-text'
  | 'light-ground'
  | 'dark-text'
  | 'mid-text'
  | 'light-text'
  | 'grey-line'
  | 'links'
  | 'most-used-hue'
  | 'second-hue'
  | 'shade'
  | 'named'
  | 'same-color'

/** What a color, or one use of it, could become, and how sure that is. */
export interface Suggestion {
  /** null: every use. */
  readonly use: Use | null
  readonly to: { readonly kind: 'role'; readonly role: string } | { readonly kind: 'follow'; readonly lead: OpaqueKey }
  /** 0 to 1 */
  readonly sureness: number
  readonly why: Reason
}

/** ΔE00 below which two colors are one: nobody can tell them apart (common practice, no source). */
const VERY = 1

/** The share of a color's places from which what is said of them speaks for the others too: common practice, no source. */
const LEADING = 0.5

/** Reasons that are of the color itself, not of one use of it: they can speak for all its uses. */
const OF_THE_COLOR: readonly Reason[] = ['called', 'most-used-hue', 'second-hue', 'shade', 'named', 'same-color']

/** As sure as anything of a picture is said: what it shows is not known. */
const PICTURE = 0.75

/**
 * Tells what each cluster could become: by what its author calls it, from what it is used for, through variables too, its rank, its lightness and chroma, its relation to others and the names around it; never by nearness alone. What
 * is said of most places of a color comes first and is suggested for all of them, further suggestions are for the uses that speak for something else. Deterministic. What is worked out of a color is kept: other clusters of the same colors are told faster.
 * @returns a function of clusters, most used first
 */
export function suggester(roles: readonly Role[]): (clusters: readonly Observed[]) => Map<OpaqueKey, Suggestion[]> {
  const lookOf = lookingWith(roles)
  // What a role is called goes before what is said of it; of two roles the first is meant.
  const last = roles.toReversed()
  const byName: RolesByName = new Map([
    ...last.flatMap((role) => jobsOfRole(role).map((job) => [job as string, role] as const)),
    ...last.map((role) => [plainRoleName(role.name), role] as const),
  ])
  return (clusters) => {
    const colors = clusters.flatMap((each): SiteColor[] => {
      const look = lookOf(each.lead)
      return look ? [{ ...each, ...look }] : []
    })
    const site = siteColors(colors)
    return new Map(colors.map((color) => [color.lead, suggestedFor(color, site, byName)]))
  }
}

type RolesByName = ReadonlyMap<string, Role>

/** null: it is no color. */
function lookingWith(roles: readonly Role[]): (key: OpaqueKey) => Look | null {
  const palette = roles.flatMap((role) => {
    const color = readRoleColor(role.color)
    return typeof color === 'string' ? [] : [{ role, lab: labOf(color) }]
  })
  const known = new Map<OpaqueKey, Look | null>()
  return (key) => {
    const before = known.get(key)
    if (before !== undefined) return before
    const color = parseColor(key)
    const look = color && lookOf(color)
    known.set(key, look)
    return look
  }
  function lookOf(color: RgbColor): Look {
    const [l, c, h] = toSpace('oklch', color)
    const own = labOf(color)
    return { l, c, h, same: palette.find(({ lab }) => deltaE2000(lab, own) < VERY)?.role ?? null }
  }
}

interface Told {
  readonly use: Use
  readonly found: Found
  readonly places: number
}

function suggestedFor(color: SiteColor, site: SiteColors, roles: RolesByName): Suggestion[] {
  const told = [...color.seen.uses].flatMap(([use, seen]): Told[] => {
    const found = use === 'variable' ? forVariables(color, site, roles) : forUse(color, use, seen, site, roles)
    return found ? [{ use, found, places: seen.places }] : []
  })
  const placesTo = ({ to }: Found) =>
    told.reduce((sum, each) => (isSame(each.found.to, to) ? sum + each.places : sum), 0)
  const main = told
    .filter(({ found }) => OF_THE_COLOR.includes(found.why))
    .toSorted((a, b) => placesTo(b.found) - placesTo(a.found) || b.places - a.places)[0]
  const share = main ? placesTo(main.found) / color.seen.places : 0
  const apart = ({ use, found }: Told): Suggestion => ({ ...found, use, sureness: sureIn(use, found.sureness) })
  if (!main || share < LEADING) return told.toSorted((a, b) => b.places - a.places).map(apart)
  const pictures = ['fill', 'stroke'].reduce((sum, use) => sum + (color.seen.uses.get(use as Use)?.places ?? 0), 0)
  const sureness = main.found.sureness * (0.6 + 0.4 * share)
  // What nothing is said of goes along; what speaks against is suggested apart.
  return [
    {
      ...main.found,
      use: null,
      sureness: round(pictures > color.seen.places / 2 ? Math.min(PICTURE, sureness) : sureness),
    },
    ...told.filter(({ found }) => !isSame(found.to, main.found.to)).map(apart),
  ]
}

function sureIn(use: Use, sureness: number): number {
  return round(use === 'fill' || use === 'stroke' ? Math.min(PICTURE, sureness) : sureness)
}

function isSame(a: Suggestion['to'], b: Suggestion['to']): boolean {
  return a.kind === 'role' ? b.kind === 'role' && a.role === b.role : b.kind === 'follow' && a.lead === b.lead
}

function round(sureness: number): number {
  return Math.round(sureness * 100) / 100
}

type Found = Omit<Suggestion, 'use'>

/** What the variables of a color say: by their names, else by what most of what takes them says. */
function forVariables(color: SiteColor, site: SiteColors, roles: RolesByName): Found | null {
  const called = calledFound(color, site, roles)
  if (called) return called
  const told = [...color.seen.through].flatMap(([use, seen]) => {
    const found = forUse(color, use, seen, site, roles)
    return found ? [{ found, places: seen.places }] : []
  })
  const all = [...color.seen.through.values()].reduce((sum, { places }) => sum + places, 0)
  const placesTo = ({ to }: Found) =>
    told.reduce((sum, each) => (isSame(each.found.to, to) ? sum + each.places : sum), 0)
  const [main] = told.toSorted((a, b) => placesTo(b.found) - placesTo(a.found) || b.places - a.places)
  const share = main ? placesTo(main.found) / all : 0
  if (!main || share < LEADING)
    return forUse(color, 'variable', color.seen.uses.get('variable') as UseObservation, site, roles)
  return { ...main.found, sureness: main.found.sureness * (0.6 + 0.4 * share) }
}

/** What the author's own names for a color say. */
function calledFound(color: SiteColor, site: SiteColors, roles: RolesByName): Found | null {
  const { seen } = color
  const [best] = [...seen.called].toSorted(([, a], [, b]) => b.itself + b.shades - (a.itself + a.shades))
  if (!best) return null
  const [job, { itself, shades }] = best
  // "Claret line" is a shade of claret.
  if (OF_GREYS.includes(job) && isHued(color)) return null
  const share = (itself + shades) / (seen.uses.get('variable')?.places ?? 1)
  if (share < LEADING) return null
  const sureness = 0.95 * (0.5 + 0.5 * share)
  if (itself >= shades) return found(roles, 'called', sureness, job, ...(INSTEAD[job] ?? []))
  const lead = job === 'primary' ? site.primary : job === 'accent' ? site.accent : null
  return lead && lead !== color && isHued(color)
    ? { to: { kind: 'follow', lead: lead.lead }, sureness: Math.min(sureness, 0.8), why: 'called' }
    : null
}

/** Jobs that colors without a hue have. */
const OF_GREYS: readonly Job[] = ['line', 'soft text']

/** What a palette may have in the place of a job. */
const INSTEAD: Readonly<Partial<Record<Job, readonly string[]>>> = {
  success: ['notice'],
  warning: ['notice'],
  'link hover': ['link'],
  'link visited': ['link'],
}

/** The first of some roles that the palette has. */
function found(roles: RolesByName, why: Reason, sureness: number, ...names: readonly string[]): Found | null {
  const role = names.flatMap((name) => roles.get(name) ?? [])[0]
  return role ? { to: { kind: 'role', role: role.id }, sureness, why } : null
}

function forUse(color: SiteColor, use: Use, seen: UseObservation, site: SiteColors, roles: RolesByName): Found | null {
  const role = (why: Reason, sureness: number, ...names: readonly string[]) => found(roles, why, sureness, ...names)
  if (color.same && isHued(color))
    return { to: { kind: 'role', role: color.same.id }, sureness: 0.9, why: 'same-color' }
  const share = (count: number) => count / seen.places
  const [said, next] = SAID.map((job) => ({ job, count: seen.names[job] })).toSorted((a, b) => b.count - a.count)
  if (said && share(said.count) >= 0.5 && said.count > (next?.count ?? 0))
    return isHued(color) ? role('named', 0.7, said.job, ...(INSTEAD[said.job] ?? [])) : null
  if (color === site.text || color === site.ground) return forGrey(color, use, site, role)
  if (color === site.primary)
    return role('most-used-hue', use === 'text' && share(seen.subjects.link) > 0.5 ? 0.6 : 0.85, 'primary')
  if (color === site.accent) return role('second-hue', 0.7, 'accent')
  if (use === 'text' && color === site.link) return role('links', 0.8, 'link')
  const family = isAnothers(color) ? null : [site.primary, site.accent].find((each) => each && isOneHue(color, each))
  if (family) return { to: { kind: 'follow', lead: family.lead }, sureness: isHued(color) ? 0.65 : 0.4, why: 'shade' }
  if (use === 'text' && isHued(color) && share(seen.subjects.link) >= 0.5) return role('links', 0.75, 'link')
  if (isHued(color)) return null
  return forGrey(color, use, site, role)
}

const SAID = ['error', 'success', 'warning'] as const

/** What a color of no hue is for, by its lightness. */
function forGrey(
  color: SiteColor,
  use: Use,
  site: SiteColors,
  role: (why: Reason, sureness: number, ...names: readonly string[]) => Found | null,
): Found | null {
  const { l } = color
  if (use === 'text') {
    if (color === site.text) return role('page-text', 0.9, 'text')
    if (l > 0.85) return role('light-text', 0.7, 'text on primary')
    return l < 0.45 ? role('dark-text', 0.75, 'text') : role('mid-text', 0.7, 'soft text')
  }
  if (use === 'ground') {
    if (color === site.ground) return role('page-ground', 0.9, 'ground')
    if (l > 0.97) return role('light-ground', 0.55, 'ground')
    if (l > 0.85) return role('light-ground', 0.6, 'soft ground')
    return color === site.text ? role('page-text', 0.5, 'text') : null
  }
  // A white line is none between things on a white ground.
  if (use === 'line' || use === 'stroke') {
    if (color === site.text) return role('page-text', 0.6, 'text')
    if (color === site.ground || l > 0.97) return null
    return l > 0.45 ? role('grey-line', 0.7, 'line') : role('dark-text', 0.5, 'text')
  }
  if (color === site.text) return role('dark-text', 0.55, 'text')
  if (use !== 'variable' || l > 0.97) return null
  if (l > 0.85) return role('light-ground', 0.45, 'soft ground')
  return l < 0.45 ? role('dark-text', 0.45, 'text') : role('mid-text', 0.4, 'soft text')
}
