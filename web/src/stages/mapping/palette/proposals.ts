import {
  type Color,
  contrast,
  groundsOf,
  inSrgb,
  madeColor,
  PROPOSED_STATES,
  proposeState,
  RATIOS,
  type Role,
  readRoleColor,
  sameRoleName,
  servesOf,
  toHex,
} from '@undo-ink/core'

/** What is called a state has none of its own. */
const IS_STATE = /\b(?:hover|pressed|active|visited|focus)$/i

/** Roles for the states of one that are not there yet: each is seen to differ from rest and read as well. A ground is not visited. */
export function stateRoles(role: Role, roles: readonly Role[], newId: () => string): Role[] {
  const rest = shown(role)
  if (!rest || IS_STATE.test(role.name)) return []
  const isText = servesOf(role) === 'text'
  const around = isText
    ? groundsOf(role, roles)
    : roles.filter((other) => servesOf(other) === 'text' && groundsOf(other, roles).some(({ id }) => id === role.id))
  const seenWith = around.flatMap((other) => shown(other) ?? [])
  const ratio = Math.min(RATIOS.text, ...seenWith.map((other) => contrast(rest, other)))
  return PROPOSED_STATES.flatMap((state): Role[] => {
    const name = `${role.name} ${state}`
    if ((state === 'visited' && !isText) || roles.some((other) => sameRoleName(other.name, name))) return []
    const change = proposeState(state, rest, seenWith, ratio)
    if (!change) return []
    return [
      {
        id: newId(),
        name,
        color: toHex(madeColor(rest, change)),
        serves: servesOf(role),
        ...(isText ? { on: around.map(({ id }) => id) } : {}),
        made: { from: role.id, ...change },
      },
    ]
  })
}

function shown({ color }: Role): Color | null {
  const read = readRoleColor(color)
  return typeof read === 'string' ? null : inSrgb(read)
}
