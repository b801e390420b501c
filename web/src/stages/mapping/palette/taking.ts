import {
  jobOf,
  nearestRole,
  type Offer,
  type Offered,
  parseColor,
  type Role,
  sameRoleName,
  withValue,
} from '@undo-ink/core'

/** What is made of one color that was offered. */
export interface Taking {
  /** Whether it is taken at all. */
  readonly taken: boolean
  readonly name: string
  readonly color: string
  /** Id of the role whose color it becomes; null: a new role. */
  readonly replaces: string | null
  /** What came with the color. */
  readonly extras: Extras
  /** What it was called, where its name is now that of a job; null: as its name. */
  readonly called: string | null
  /** The role that has nearly the same color already. */
  readonly alike: Role | null
}

/** ΔE00 below which an eye takes two colors for one. */
const ALIKE = 2.3

type Extras = Pick<Role, 'dark' | 'print' | 'description'>

function extrasOf({ dark, print, description }: Offered): Extras {
  return {
    ...(dark === undefined ? {} : { dark }),
    ...(print === undefined ? {} : { print }),
    ...(description === undefined ? {} : { description: description.slice(0, 300) }),
  }
}

/**
 * What would be made of an offer: a role of the same name takes the new color, any other color becomes a new role. What people call a color in a mail is
 * understood as a job. Of an image or a site, what is nearly there already or in a small part only is not taken unasked.
 */
export function takingsOf({ format, colors }: Offer, roles: readonly Role[]): Taking[] {
  const names: string[] = []
  const isFound = format === 'image' || format === 'site'
  return colors.map((each) => {
    const { name, color } = each
    const job =
      format === 'text' && name !== null && !roles.some((role) => sameRoleName(role.name, name)) ? jobOf(name) : null
    const wanted = job ?? name
    const same = wanted === null ? undefined : roles.find((role) => sameRoleName(role.name, wanted))
    const free = same && !names.some((each) => sameRoleName(each, same.name)) ? same : null
    const own = free?.name ?? freeName(wanted?.slice(0, 50) ?? 'colour', [...names, ...roles.map((role) => role.name)])
    names.push(own)
    const alike = alikeTo(color, roles)
    return {
      taken: !(isFound && (each.minor || alike !== null)),
      name: own,
      color,
      replaces: free?.id ?? null,
      extras: extrasOf(each),
      called: job !== null && name !== null && !sameRoleName(job, name) ? name : null,
      alike,
    }
  })
}

function alikeTo(text: string, roles: readonly Role[]): Role | null {
  const color = parseColor(text)
  const nearest = color && nearestRole(color, roles)
  return nearest && nearest.distance < ALIKE ? nearest.role : null
}

function freeName(wanted: string, taken: readonly string[]): string {
  if (!taken.some((name) => sameRoleName(name, wanted))) return wanted
  for (let n = 2; ; n++) if (!taken.some((name) => sameRoleName(name, `${wanted} ${n}`))) return `${wanted} ${n}`
}

/** Why each taking cannot be, by its index: its name is missing, too long, or that of another. */
export function takingProblems(takings: readonly Taking[], roles: readonly Role[]): Map<number, string> {
  const problems = new Map<number, string>()
  takings.forEach(({ taken, name, replaces }, i) => {
    if (!taken) return
    const others = takings.filter((other, n) => n < i && other.taken)
    if (replaces !== null) {
      if (others.some((other) => other.replaces === replaces))
        problems.set(i, 'This role takes a colour from above already')
    } else if (name.trim() === '') problems.set(i, 'Give the role a name')
    else if (name.trim().length > 60) problems.set(i, 'At most 60 characters')
    else if (roles.some((role) => sameRoleName(role.name, name)))
      problems.set(i, `There is a role called ${name.trim()} already`)
    else if (others.some((other) => other.replaces === null && sameRoleName(other.name, name)))
      problems.set(i, `Two of these are called ${name.trim()}`)
  })
  return problems
}

/** The palette with what is taken: replaced colors where they stood, new roles behind. */
export function withTakings(roles: readonly Role[], takings: readonly Taking[], newId: () => string): Role[] {
  const taken = takings.filter((each) => each.taken)
  const replaced = roles.map((role) => {
    const by = taken.find(({ replaces }) => replaces === role.id)
    return by ? { ...withValue(role, 'light', by.color), ...by.extras } : role
  })
  const added = taken
    .filter(({ replaces }) => replaces === null)
    .map(({ name, color, extras }): Role => ({ id: newId(), name: name.trim(), color, ...extras }))
  return [...replaced, ...added]
}
