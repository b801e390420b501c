import { jobsOfRole } from './jobs.ts'
import { type Role, type Serves, sameRoleName } from './role.ts'

/** What a role is for: as it says, or as its name does; where that is the client's own, as is said of it. */
export function servesOf(role: Pick<Role, 'serves' | 'name' | 'description'>): Serves {
  if (role.serves !== undefined) return role.serves
  return servesByName(role.name) ?? servesByName(jobsOfRole(role)[0] ?? '') ?? 'ground'
}

/** null: the name says neither text nor line. */
function servesByName(name: string): Serves | null {
  if (/^on\b|\b(?:text|link|heading|success|warning|error|notice)\b/i.test(name)) return 'text'
  return /\b(?:line|border|rule|outline|focus)\b/i.test(name) ? 'line' : null
}

/** The grounds of a palette that a role stands on, in their order: those that it names, else what its name says ("text on primary"), else those that are called grounds, else every one. */
export function groundsOf(role: Pick<Role, 'name' | 'on'>, roles: readonly Role[]): Role[] {
  const grounds = roles.filter((other) => servesOf(other) === 'ground')
  if (role.on !== undefined) return grounds.filter(({ id }) => role.on?.includes(id))
  const named = /\bon\s+(.+)$/i.exec(role.name)?.[1]
  const only = grounds.filter(({ name }) => named !== undefined && sameRoleName(name, named))
  if (only.length > 0) return only
  const called = grounds.filter((each) => /ground/i.test(each.name) || /ground/.test(jobsOfRole(each)[0] ?? ''))
  return called.length > 0 ? called : grounds
}
