import { type Role, sameRoleName } from './role.ts'

/** What the roles of a site are called by the job that they do: common practice, no source. */
export const JOBS = [
  ...['primary', 'text on primary', 'accent', 'ground', 'soft ground', 'text', 'soft text', 'line'],
  ...['link', 'link hover', 'link visited', 'success', 'warning', 'error', 'focus'],
] as const
export type Job = (typeof JOBS)[number]

/** What people who send colors call a job: common practice, no source. */
const CALLED: Readonly<Partial<Record<Job, readonly string[]>>> = {
  primary: ['primary', 'main', 'principal', 'lead', 'key', 'base', 'button', 'buttons'],
  accent: ['accent', 'accents', 'highlight', 'highlights', 'secondary', 'contrast', 'call to action', 'cta'],
  ground: ['ground', 'background', 'backgrounds', 'paper', 'page'],
  'soft ground': ['soft background', 'panel', 'panels', 'surface', 'cards', 'tint'],
  text: ['text', 'texts', 'ink', 'body', 'copy', 'type'],
  'soft text': ['muted', 'muted text', 'softer text', 'secondary text', 'captions'],
  line: ['line', 'lines', 'border', 'borders', 'rule', 'rules', 'divider'],
  link: ['link', 'links', 'hyperlinks'],
  success: ['success', 'positive', 'good', 'ok'],
  warning: ['warning', 'warnings', 'caution'],
  error: ['error', 'errors', 'danger', 'negative'],
}

/** What a color is for that is only called so: beside the name of a job it tells how that is done, as in "light text". */
const CALLED_ALONE: Readonly<Partial<Record<Job, readonly string[]>>> = {
  ground: ['light', 'white'],
  text: ['dark', 'black'],
}

const JOB_CALLED = new Map<string, Job>([...JOBS.map((job) => [job, job] as const), ...jobsByName(CALLED)])
const JOB_CALLED_ALONE = new Map(jobsByName(CALLED_ALONE))

function jobsByName(called: Readonly<Partial<Record<Job, readonly string[]>>>): (readonly [string, Job])[] {
  return Object.entries(called).flatMap(([job, names]) => names.map((name) => [name, job as Job] as const))
}

/** The jobs that somebody's sentence about a color names, in the order in which it does, each once. */
export function jobsIn(sentence: string): Job[] {
  const words = sentence
    .toLowerCase()
    .replace(/[^\p{L}\s]/gu, ' ')
    .split(/\s+/)
  const found: Job[] = []
  for (let at = 0; at < words.length; at++) {
    // The longest that is called so: "secondary text" is no accent.
    const length = [3, 2, 1].find((each) => JOB_CALLED.has(words.slice(at, at + each).join(' ')))
    if (length === undefined) continue
    const job = JOB_CALLED.get(words.slice(at, at + length).join(' ')) as Job
    if (!found.includes(job)) found.push(job)
    at += length - 1
  }
  const alone = words.flatMap((word) => JOB_CALLED_ALONE.get(word) ?? [])
  return found.length > 0 ? found : [...new Set(alone)]
}

/** The jobs of a role of the client's: by its name where that says one, else by what is said of it. */
export function jobsOfRole({ name, description }: { readonly name: string; readonly description?: string }): Job[] {
  const plain = name.trim().replace(/\s+/g, ' ').toLowerCase()
  const named = JOBS.find((job) => job === plain) ?? jobOf(name)
  return named ? [named] : jobsIn(description ?? '')
}

/** Whether nobody has said what a role is for: neither its name nor its words name a job, nor is it made from another. */
export function isJobOpen(role: Role): boolean {
  return !role.made && !PAIRED.test(role.name) && jobsOfRole(role).length === 0 && jobsIn(role.name).length === 0
}

/** Names of roles that go with others, and of a kind of message. */
const PAIRED = /\bon\b|\bnotice\b/i

/** The role of a palette that does a job, or is called so; a name goes before what is said of a role, and of two roles the first is meant. null: there is none. */
export function roleFor(job: string, roles: readonly Role[]): Role | null {
  const called = (name: string) => roles.find((role) => sameRoleName(role.name, name))
  const own = called(job) ?? roles.find((role) => jobsOfRole(role).some((each) => each === job))
  if (own) return own
  const primary = job === 'text on primary' ? roleFor('primary', roles) : null
  return (primary && called(`text on ${primary.name}`)) ?? null
}

/** Words that say nothing of a job. */
const FILLERS = /\b(?:the|our|a|as|is|for|and|colou?rs?|tones?|shades?|brand|corporate|new)\b/g

/** The job that somebody's words for a color mean; null: they say none, or several. */
export function jobOf(words: string): Job | null {
  const plain = words
    .toLowerCase()
    .replace(FILLERS, ' ')
    .replace(/[^\p{L}\s]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  return JOB_CALLED.get(plain) ?? JOB_CALLED_ALONE.get(plain) ?? null
}
