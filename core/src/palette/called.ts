import type { Job } from './jobs.ts'

/** The job that an author gives a color by what its variable is called. */
export interface Called {
  readonly job: Job
  /** Whether it is called a lighter, a darker or another one of that job: `$primary-dark`, `--brand-100`. */
  readonly isShade: boolean
}

/** What variables are called, the more telling words first, as parts of a name in kebab case: common practice, no source. */
const CALLED: readonly (readonly [RegExp, Job])[] = [
  [/-success-|-positive-/, 'success'],
  [/-warning-|-caution-/, 'warning'],
  [/-danger-|-error-|-negative-|-invalid-/, 'error'],
  [
    /-(?:muted|placeholder|disabled|caption|text-soft|soft-text|text-secondary|secondary-text|text-light)-/,
    'soft text',
  ],
  [/-(?:on|inverse|contrast)-|-(?:primary|brand|cta)-(?:[\w-]+-)?(?:text|fg)-/, 'text on primary'],
  [/-(?:link|a)-hover-|-link-[\w-]*hover-/, 'link hover'],
  [/-link-visited-|-visited-/, 'link visited'],
  [/-links?-|-anchor-/, 'link'],
  [/-primary-|-brand-|-main-color-|-theme-color-/, 'primary'],
  [/-secondary-|-accent-|-highlight-|-cta-/, 'accent'],
  [/-(?:borders?|lines?|rule|dividers?|separator|hr)-/, 'line'],
  [/-focus-(?:ring-)?/, 'focus'],
  [/-(?:body|page|site|main|global)-(?:bg|background|ground)-|^-(?:bg|background|paper|ground)-(?:color-)?$/, 'ground'],
  [/-(?:bg|background|surface|panel|tint)-/, 'soft ground'],
  [/-(?:body|text|font|base|headings?|copy|ink)-/, 'text'],
]
/** Words that say that a variable is another one of what it is called, or for a state of it. */
const SHADE = /-(?:light(?:er|est)?|dark(?:er|est)?|pale|deep|tint|shade|alt|hover|active|pressed|states?|\d{1,3})-/
/** Jobs that are shades of nothing. */
const OWN_STATES: readonly Job[] = ['link hover', 'link visited', 'soft text', 'soft ground']
/** Names of a component's parts, which say what that part takes, not what the color is for; and of what has no job in a palette. */
const OTHER =
  /^-(?:[a-z]{2}-)?(?:accordion|alert|badge|breadcrumb|btn|button|card|carousel|close|code|dropdown|figure|footer|form|header|hero|icon|input|jumbotron|kbd|label|list|menu|modal|nav|navbar|navigation|offcanvas|pager|pagination|panel|popover|pre|progress|sidebar|slider|spinner|state|table|tab|tag|thumbnail|toast|tooltip|well)s?-|-(?:info|shadow|overlay|facebook|twitter|google|instagram|linkedin|youtube|pinterest)-/

/** What the name of a variable says; null: nothing. @param variable with its sigil */
export function calledFor(variable: string): Called | null {
  const name = `-${variable
    .replace(/([a-z])([A-Z])/g, '$1-$2')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')}-`
  if (OTHER.test(name)) return null
  const job = CALLED.find(([pattern]) => pattern.test(name))?.[1]
  if (job === undefined) return null
  return { job, isShade: !OWN_STATES.includes(job) && SHADE.test(name) }
}
