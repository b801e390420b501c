import type { Color, OpaqueKey } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { parseColor } from '../color/literal.ts'
import type { Use } from '../source/occurrence.ts'
import type { Job } from './jobs.ts'
import type { UseObservation } from './observation.ts'
import { RATIOS } from './readability.ts'
import { isAnothers, isHued, isOneHue, isSlate, type SiteColor, type SiteColors } from './site-colors.ts'

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

/** What places could become, and how sure that is. */
export interface UseSuggestion {
  readonly to: { readonly kind: 'role'; readonly role: string } | { readonly kind: 'follow'; readonly lead: OpaqueKey }
  /** 0 to 1 */
  readonly sureness: number
  readonly why: Reason
}

/** A role of the palette that does a job. */
export interface JobRole {
  readonly id: string
  readonly color: Color
  /** OKLCH */
  readonly l: number
}

export type RolesByJob = ReadonlyMap<string, JobRole>

/** One use of a color, of which something is to be said. */
export interface ColorUse {
  readonly color: SiteColor
  readonly use: Use
  readonly seen: UseObservation
  readonly site: SiteColors
  readonly roles: RolesByJob
}

export function isSame(a: UseSuggestion['to'], b: UseSuggestion['to']): boolean {
  return a.kind === 'role' ? b.kind === 'role' && a.role === b.role : b.kind === 'follow' && a.lead === b.lead
}

/** The share of a color's places from which what is said of them speaks for the others too: common practice, no source. */
export const LEADING = 0.5

/** What is said of one use of a color: by what its author calls it there, else by what is seen of it. null: nothing. */
export function foundFor(asked: ColorUse): UseSuggestion | null {
  return calledFound(asked) ?? (asked.use === 'variable' ? foundForVariables(asked) : foundForUse(asked))
}

/** What most of what takes the variables of a color says. */
function foundForVariables(asked: ColorUse): UseSuggestion | null {
  const { color } = asked
  const told = [...color.seen.through].flatMap(([use, ends]) => {
    const found = foundForUse({ ...asked, use, seen: ends })
    return found ? [{ found, places: ends.places }] : []
  })
  const all = [...color.seen.through.values()].reduce((sum, { places }) => sum + places, 0)
  const placesTo = ({ to }: UseSuggestion) =>
    told.reduce((sum, each) => (isSame(each.found.to, to) ? sum + each.places : sum), 0)
  const [main] = told.toSorted((a, b) => placesTo(b.found) - placesTo(a.found) || b.places - a.places)
  const share = main ? placesTo(main.found) / all : 0
  if (!main || share < LEADING) return foundForUse(asked)
  return { ...main.found, sureness: main.found.sureness * (0.6 + 0.4 * share) }
}

/** What the author's own names for a color say. */
function calledFound(asked: ColorUse): UseSuggestion | null {
  const { color, seen, site } = asked
  const { l } = color
  const [best] = [...seen.called].toSorted(([, a], [, b]) => b.itself + b.shades - (a.itself + a.shades))
  if (!best) return null
  const [job, { itself, shades }] = best
  // "Claret line" is a shade of claret.
  if (OF_GREYS.includes(job) && isHued(color)) return null
  // A grey that is called secondary accents nothing.
  if (job === 'accent' && !isHued(color)) return null
  // Nor is a dark ground the one of light pages, or a light text that of their text.
  if (/ground$/.test(job) && (site.isDark ? l > 0.5 : l < 0.8)) return null
  if (job === 'text' && (site.isDark ? l < 0.6 : l > 0.65)) return null
  const share = (itself + shades) / seen.places
  if (share < LEADING) return null
  const sureness = 0.95 * (0.5 + 0.5 * share)
  // In a palette without it the state of a link keeps its distance to the link: as the link's own color nobody would see it.
  const isState = STATES_OF_LINKS.includes(job) && !asked.roles.has(job)
  if (itself >= shades && !isState) return found(asked, 'called', sureness, job, ...(INSTEAD[job] ?? []))
  const lead = leadOf(job, color, site)
  return lead && lead !== color && isHued(color)
    ? { to: { kind: 'follow', lead: lead.lead }, sureness: Math.min(sureness, 0.8), why: 'called' }
    : null
}

/** The color of which one that is called for a job is a shade or a state; null: none is known. */
function leadOf(job: Job, color: SiteColor, { primary, accent, link }: SiteColors): SiteColor | null {
  if (job === 'primary') return primary
  if (job === 'accent') return accent
  if (!STATES_OF_LINKS.includes(job)) return null
  return [link, primary, accent].find((each) => each && each !== color && isOneHue(color, each)) ?? null
}

/** Jobs that colors without a hue have. */
const OF_GREYS: readonly Job[] = ['line', 'soft text']

/** What a palette may have in the place of a job. */
const INSTEAD: Readonly<Partial<Record<Job, readonly string[]>>> = {
  success: ['notice'],
  warning: ['notice'],
}
const STATES_OF_LINKS: readonly Job[] = ['link hover', 'link visited']

/** Jobs by which things are light or dark. */
const TONES: ReadonlySet<string> = new Set(['ground', 'soft ground', 'text', 'soft text', 'line', 'text on primary'])
/** Beyond this difference of OKLCH lightness what was light becomes dark: nothing that meets it would be read. Common practice, no source. */
const TURNED = 0.5
/** As sure as it is that a site of which the palette turns light and dark is to be turned. */
const TURNING = 0.4
/** As sure as it is that a text becomes what cannot be read on the ground of the pages. */
const DIMMING = 0.5

/** The first of some roles that the palette has. What would turn light into dark is suggested of the pages' own text and ground only, and never surely. */
function found(
  { color, use, site, roles }: ColorUse,
  why: Reason,
  sureness: number,
  ...names: readonly string[]
): UseSuggestion | null {
  const job = names.find((name) => roles.has(name))
  const role = job === undefined ? undefined : roles.get(job)
  if (job === undefined || role === undefined) return null
  const to = { kind: 'role', role: role.id } as const
  if (TONES.has(job) && isTurned(role, color)) {
    const isOfPages = (job === 'ground' && color === site.ground) || (job === 'text' && color === site.text)
    return isOfPages ? { to, sureness: Math.min(TURNING, sureness), why } : null
  }
  const most = use === 'text' && isDimmed(role, color, site, roles) ? DIMMING : 1
  return { to, sureness: Math.min(most, sureness), why }
}

function isTurned(role: JobRole, color: SiteColor): boolean {
  return Math.abs(role.l - color.l) > TURNED
}

/** Whether a text can be read on the ground of the pages and could not on what that becomes: text mostly stands there. */
function isDimmed(role: JobRole, { lead }: SiteColor, { ground }: SiteColors, roles: RolesByJob): boolean {
  const [text, before] = [parseColor(lead), parseColor(ground?.lead ?? '')]
  if (!ground || !text || !before || contrast(text, before) < RATIOS.text) return false
  const own = roles.get('ground')
  // A ground that would be turned most likely stays.
  const after = own && !isTurned(own, ground) ? own.color : before
  return contrast(role.color, after) < RATIOS.text
}

function foundForUse(asked: ColorUse): UseSuggestion | null {
  const { color, use, seen, site } = asked
  const role = (why: Reason, sureness: number, ...names: readonly string[]) => found(asked, why, sureness, ...names)
  if (color.same && isHued(color))
    return { to: { kind: 'role', role: color.same.id }, sureness: 0.9, why: 'same-color' }
  const share = (count: number) => count / seen.places
  const [said, next] = SAID.map((job) => ({ job, count: seen.names[job] })).toSorted((a, b) => b.count - a.count)
  if (said && share(said.count) >= 0.5 && said.count > (next?.count ?? 0))
    return isHued(color) ? role('named', 0.7, said.job, ...(INSTEAD[said.job] ?? [])) : null
  if (color === site.text || color === site.ground) return forGrey(asked, role)
  if (color === site.primary)
    return role('most-used-hue', use === 'text' && share(seen.subjects.link) > 0.5 ? 0.6 : 0.85, 'primary')
  if (color === site.accent) return role('second-hue', 0.7, 'accent')
  if (use === 'text' && color === site.link) return role('links', 0.8, 'link')
  const family =
    isAnothers(color) || isSlate(color)
      ? null
      : [site.primary, site.accent].find((each) => each && isOneHue(color, each))
  if (family) return { to: { kind: 'follow', lead: family.lead }, sureness: isHued(color) ? 0.65 : 0.4, why: 'shade' }
  if (use === 'text' && isHued(color) && share(seen.subjects.link) >= 0.5) return role('links', 0.75, 'link')
  if (isHued(color)) return null
  return forGrey(asked, role)
}

const SAID = ['error', 'success', 'warning'] as const

/** What a color of no hue is for, by its lightness. */
function forGrey(
  { color, use, seen, site }: ColorUse,
  role: (why: Reason, sureness: number, ...names: readonly string[]) => UseSuggestion | null,
): UseSuggestion | null {
  const { l } = color
  if (use === 'text') {
    if (color === site.text) return role('page-text', 0.9, 'text')
    if (l > 0.85) return role('light-text', 0.7, 'text on primary')
    return l < 0.45 ? role('dark-text', 0.75, 'text') : role('mid-text', 0.7, 'soft text')
  }
  if (use === 'ground') {
    // Where the pages take it through a variable, these grounds are of other things.
    if (color === site.ground && seen.subjects.page > 0) return role('page-ground', 0.9, 'ground')
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
