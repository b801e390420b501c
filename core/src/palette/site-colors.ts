import type { OpaqueKey } from '../color/color.ts'
import type { Use } from '../source/occurrence.ts'
import type { Job } from './jobs.ts'
import type { Named, Observation, UseObservation } from './observation.ts'
import type { Role } from './role.ts'

/** A cluster by its lead, with what is seen of it. */
export interface Observed {
  readonly lead: OpaqueKey
  readonly seen: Observation
}

/** What a color is by itself, and to the palette. */
export interface ColorTraits {
  /** OKLCH */
  readonly l: number
  readonly c: number
  readonly h: number
  /** The role that has the very color already: the site, or a part of it, is in the new brand. */
  readonly same: Role | null
}

export interface SiteColor extends Observed, ColorTraits {}

/** What the colors of a site are to each other. */
export interface SiteColors {
  readonly ground: SiteColor | null
  readonly text: SiteColor | null
  /** Whether its pages have light text on a dark ground. */
  readonly isDark: boolean
  readonly primary: SiteColor | null
  readonly accent: SiteColor | null
  readonly link: SiteColor | null
  /** How many times as much of the primary color there is as of the next with another hue; 1 where there is as much. */
  readonly lead: number
}

/** OKLCH chroma from which a color has a hue to an eye, that of a dark one, which is an ink rather; and degrees within which two are of one hue: common practice, no source. */
const HUE_FROM = 0.04
const DARK_HUE_FROM = 0.06
const DARK = 0.4
/** OKLCH lightness from which a color is a tint, that leads no others: common practice, no source. */
const TINT = 0.92
const SAME_HUE = 12
/** OKLCH chroma below which a hue is a grey's to most: common practice, no source. */
const SLATE_BELOW = 0.05

/** Whether a color has a hue to an eye. */
export function isHued({ l, c }: Pick<ColorTraits, 'l' | 'c'>): boolean {
  return c >= (l < DARK ? DARK_HUE_FROM : HUE_FROM)
}

/** Whether a color is a grey to most, though it has a hue: it neither accents nor follows. */
export function isSlate(look: Pick<ColorTraits, 'l' | 'c'>): boolean {
  return isHued(look) && look.c < SLATE_BELOW
}

/** Places that take a variable count as the place of its value does: what is declared once is used as often. */
export function usedIn({ seen }: Observed, use: Use): readonly UseObservation[] {
  return [seen.uses.get(use), seen.through.get(use)].filter((each) => each !== undefined)
}

export function siteColors(colors: readonly SiteColor[]): SiteColors {
  const ranked = (weight: (color: SiteColor) => number) =>
    colors
      .map((color) => ({ color, weight: weight(color) }))
      .filter((each) => each.weight > 0)
      .toSorted((a, b) => b.weight - a.weight)
  const most = (weight: (color: SiteColor) => number) => ranked(weight)[0]?.color ?? null
  // A name counts for more than any number of places.
  const called = (color: SiteColor, job: Job) => timesCalled(color, job) * CALLED_COUNTS
  const onPages = (color: SiteColor, use: Use) => sum(usedIn(color, use), ({ subjects }) => subjects.page)
  const placesOf = (color: SiteColor, use: Use) => sum(usedIn(color, use), ({ places }) => places)
  const pageGround = most((color) => called(color, 'ground') + onPages(color, 'ground'))
  const pageText = most((color) => called(color, 'text') + onPages(color, 'text'))
  const isDark = pageGround !== null && pageGround.l < 0.4 && (pageText === null || pageText.l > pageGround.l)
  const isGroundLike = ({ l, c }: SiteColor) => (isDark ? l < 0.5 : l > 0.85 && c < 0.06)
  const isTextLike = ({ l, c }: SiteColor) => c < 0.06 && (isDark ? l > 0.75 : l < 0.65)
  const ground = most((color) =>
    isGroundLike(color) ? called(color, 'ground') + 10 * onPages(color, 'ground') + placesOf(color, 'ground') / 100 : 0,
  )
  const text = most((color) =>
    isTextLike(color) && color !== ground
      ? called(color, 'text') +
        10 * onPages(color, 'text') +
        (color.l < 0.5 || isDark ? placesOf(color, 'text') / 10 : 0)
      : 0,
  )
  const chromatic = (color: SiteColor) =>
    !isHued(color) || color.l > TINT || color === text || isAnothers(color)
      ? 0
      : weightOf(color) + 5 * namedOf(color, 'brand') + called(color, 'primary')
  const [first] = ranked(chromatic)
  const primary = first?.color ?? null
  const others = ranked((color) =>
    primary &&
    isHued(color) &&
    !isSlate(color) &&
    color.l <= TINT &&
    !isOneHue(color, primary) &&
    linkShare(color) < 0.5
      ? chromatic(color) + 5 * namedOf(color, 'accent') + called(color, 'accent') - called(color, 'primary')
      : 0,
  )
  const link = most((color) =>
    isHued(color) && (linkShare(color) >= 0.5 || called(color, 'link') > 0)
      ? weightOf(color) + called(color, 'link')
      : 0,
  )
  const lead = first ? first.weight / Math.max(1, others[0]?.weight ?? 0) : 1
  return { ground, text, isDark, primary, accent: others[0]?.color ?? null, link, lead }
}

const CALLED_COUNTS = 10_000

function sum<T>(some: readonly T[], of: (one: T) => number): number {
  return some.reduce((total, one) => total + of(one), 0)
}

function timesCalled({ seen }: Observed, job: Job): number {
  return sum([...seen.uses.values()], ({ called }) => called.get(job)?.itself ?? 0)
}

/** How much of a color there is: its places, and those that take it through variables. */
function weightOf({ seen }: Observed): number {
  return seen.places + sum([...seen.through.values()], ({ places }) => places)
}

function namedOf({ seen }: Observed, ...names: readonly Named[]): number {
  const uses = [...seen.uses.values(), ...seen.through.values()]
  return sum(uses, (use) => Math.max(...names.map((name) => use.names[name])))
}

/** The jobs that make a color another's than the brand's. */
const ANOTHERS: readonly Job[] = ['success', 'warning', 'error']

/** What a color is by its names that is no brand color, though it may be used much: a status, or another company's. */
export function anothersOf(color: Observed): 'status' | 'company' | null {
  const called = sum(ANOTHERS, (job) => timesCalled(color, job))
  if (called > 0) return 'status'
  const least = weightOf(color) * ANOTHERS_FROM
  if (namedOf(color, 'success', 'warning', 'error', 'info', 'company') < least) return null
  return namedOf(color, 'company') >= namedOf(color, 'success', 'warning', 'error', 'info') ? 'company' : 'status'
}

export function isAnothers(color: Observed): boolean {
  return anothersOf(color) !== null
}

/** The share of a color's places by whose names it is another's: common practice, no source. */
const ANOTHERS_FROM = 0.3

/** The share of a color's places that are the text of links. */
function linkShare(color: Observed): number {
  return sum(usedIn(color, 'text'), ({ subjects }) => subjects.link) / Math.max(1, weightOf(color))
}

export function isOneHue(a: SiteColor, b: SiteColor): boolean {
  return a.c >= (a.l < DARK ? DARK_HUE_FROM : HUE_FROM * 0.75) && Math.abs(((a.h - b.h + 540) % 360) - 180) <= SAME_HUE
}
