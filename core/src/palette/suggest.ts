import type { OpaqueKey, Color as RgbColor } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { toSpace } from '../color/space.ts'
import type { Use } from '../source/occurrence.ts'
import { jobsOfRole } from './jobs.ts'
import type { Observation, UseObservation } from './observation.ts'
import { plainRoleName, type Role, readRoleColor } from './role.ts'

/** Why something is suggested: what was seen of the color on the site. */
export type Reason =
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

/** A cluster by its lead, with what is seen of it. */
export interface Observed {
  readonly lead: OpaqueKey
  readonly seen: Observation
}

/** OKLCH chroma from which a color has a hue to an eye, and degrees within which two are of one hue: common practice, no source. */
const HUE_FROM = 0.04
const SAME_HUE = 12
/** ΔE00 below which two colors are one: nobody can tell them apart (common practice, no source). */
const VERY = 1

/** The share of a color's places from which what is said of them speaks for the others too: common practice, no source. */
const LEADING = 0.5

/** What a color is by itself, and to the palette. */
interface Look {
  /** OKLCH */
  readonly l: number
  readonly c: number
  readonly h: number
  /** The role that has the very color already: the site, or a part of it, is in the new brand. */
  readonly same: Role | null
}

interface Color extends Observed, Look {}

/** What the colors of a site are to each other. */
interface Site {
  readonly ground: Color | null
  readonly text: Color | null
  readonly primary: Color | null
  readonly accent: Color | null
  readonly link: Color | null
}

/**
 * Tells what each cluster could become, from what it is used for, its rank, its lightness and chroma, its relation to others and the names around it; never by nearness alone. What
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
    const colors = clusters.flatMap((each): Color[] => {
      const look = lookOf(each.lead)
      return look ? [{ ...each, ...look }] : []
    })
    const site = siteOf(colors)
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

function siteOf(colors: readonly Color[]): Site {
  const most = (weight: (color: Color) => number) =>
    colors.reduce<{ color: Color; weight: number } | null>((best, color) => {
      const own = weight(color)
      return own > (best?.weight ?? 0) ? { color, weight: own } : best
    }, null)?.color ?? null
  const of = (color: Color, use: Use) => color.seen.uses.get(use)
  const ground = most((color) =>
    color.l > 0.85 ? 10 * (of(color, 'ground')?.subjects.page ?? 0) + (of(color, 'ground')?.places ?? 0) / 100 : 0,
  )
  const text = most((color) =>
    color.l < 0.5 && color.c < 0.06
      ? 10 * (of(color, 'text')?.subjects.page ?? 0) + (of(color, 'text')?.places ?? 0) / 10
      : 0,
  )
  const chromatic = (color: Color) =>
    color.c < HUE_FROM || color === text ? 0 : color.seen.places + 5 * named(color, 'brand')
  const primary = most(chromatic)
  const accent = most((color) =>
    primary && color.c >= HUE_FROM && !isOneHue(color, primary) && onlyLinks(color) < 0.5
      ? chromatic(color) + 5 * named(color, 'accent')
      : 0,
  )
  const link = most((color) => (color.c >= HUE_FROM && onlyLinks(color) >= 0.5 ? color.seen.places : 0))
  return { ground, text, primary, accent, link }
}

function named(color: Color, name: 'brand' | 'accent'): number {
  return [...color.seen.uses.values()].reduce((sum, { names }) => sum + names[name], 0)
}

/** The share of a color's places that are the text of links. */
function onlyLinks({ seen }: Color): number {
  return (seen.uses.get('text')?.subjects.link ?? 0) / seen.places
}

function isOneHue(a: Color, b: Color): boolean {
  return a.c >= HUE_FROM * 0.75 && Math.abs(((a.h - b.h + 540) % 360) - 180) <= SAME_HUE
}

function suggestedFor(color: Color, site: Site, roles: RolesByName): Suggestion[] {
  const told = [...color.seen.uses].flatMap(([use, seen]) => {
    const found = forUse(color, use, seen, site, roles)
    return found ? [{ use, found, places: seen.places }] : []
  })
  const placesTo = (to: Suggestion['to']) =>
    told.reduce((sum, { found, places }) => (isSame(found.to, to) ? sum + places : sum), 0)
  const main = told.toSorted((a, b) => placesTo(b.found.to) - placesTo(a.found.to) || b.places - a.places)[0]
  if (!main) return []
  const share = placesTo(main.found.to) / color.seen.places
  const apart = ({ use, found }: (typeof told)[number]): Suggestion => ({
    ...found,
    use,
    sureness: round(found.sureness),
  })
  if (share < LEADING) return told.map(apart)
  // What nothing is said of goes along; what speaks against is suggested apart.
  return [
    { ...main.found, use: null, sureness: round(main.found.sureness * (0.6 + 0.4 * share)) },
    ...told.filter(({ found }) => !isSame(found.to, main.found.to)).map(apart),
  ]
}

function isSame(a: Suggestion['to'], b: Suggestion['to']): boolean {
  return a.kind === 'role' ? b.kind === 'role' && a.role === b.role : b.kind === 'follow' && a.lead === b.lead
}

function round(sureness: number): number {
  return Math.round(sureness * 100) / 100
}

type Found = Omit<Suggestion, 'use'>

function forUse(color: Color, use: Use, seen: UseObservation, site: Site, roles: RolesByName): Found | null {
  const role = (why: Reason, sureness: number, ...names: readonly string[]): Found | null => {
    const found = names.flatMap((name) => roles.get(name) ?? [])[0]
    return found ? { to: { kind: 'role', role: found.id }, sureness, why } : null
  }
  if (color.same && color.c >= HUE_FROM)
    return { to: { kind: 'role', role: color.same.id }, sureness: 0.9, why: 'same-color' }
  const share = (count: number) => count / seen.places
  for (const [name, ...names] of SAID) if (share(seen.names[name]) >= 0.5) return role('named', 0.7, ...names)
  if (color === site.primary)
    return role('most-used-hue', use === 'text' && share(seen.subjects.link) > 0.5 ? 0.6 : 0.85, 'primary')
  if (color === site.accent) return role('second-hue', 0.8, 'accent')
  if (use === 'text' && color === site.link) return role('links', 0.8, 'link')
  const family = [site.primary, site.accent].find((each) => each && isOneHue(color, each))
  if (family)
    return { to: { kind: 'follow', lead: family.lead }, sureness: color.c < HUE_FROM ? 0.4 : 0.65, why: 'shade' }
  if (use === 'text' && color.c >= HUE_FROM && share(seen.subjects.link) >= 0.5) return role('links', 0.75, 'link')
  if (color.c >= HUE_FROM) return null
  return forGrey(color, use, site, role)
}

/** What a color of no hue is for, by its lightness. */
function forGrey(
  color: Color,
  use: Use,
  site: Site,
  role: (why: Reason, sureness: number, ...names: readonly string[]) => Found | null,
): Found | null {
  if (use === 'text') {
    if (color === site.text) return role('page-text', 0.9, 'text')
    if (color.l > 0.85) return role('light-text', 0.7, 'text on primary')
    return color.l < 0.45 ? role('dark-text', 0.75, 'text') : role('mid-text', 0.7, 'soft text')
  }
  if (use === 'ground') {
    if (color === site.ground) return role('page-ground', 0.9, 'ground')
    if (color.l > 0.97) return role('light-ground', 0.55, 'ground')
    if (color.l > 0.85) return role('light-ground', 0.6, 'soft ground')
    return color === site.text ? role('page-text', 0.5, 'text') : null
  }
  if (use === 'line' || use === 'stroke')
    return color.l > 0.45 ? role('grey-line', 0.7, 'line') : role('dark-text', 0.5, 'text')
  if (color === site.text) return role('dark-text', 0.55, 'text')
  return null
}

const SAID = [
  ['error', 'error'],
  ['success', 'success', 'notice'],
  ['warning', 'warning', 'notice'],
] as const
