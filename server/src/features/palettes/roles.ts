import { type Role, readRoleColor, sameRoleName } from '@undo-ink/core'
import { Refusal } from '../../http/problem.ts'

/** Every role needs a name of its own, and opaque colors. */
export function checkRoles(roles: readonly Role[]): void {
  roles.forEach((role, index) => {
    for (const value of [role.color, role.dark, role.print]) if (value !== undefined) checkColor(value, role.name)
    const twin = roles.slice(0, index).some((other) => other.id === role.id || sameRoleName(other.name, role.name))
    if (twin) throw new Refusal('same-role-twice', `There is a role called ${role.name} already`, role.name)
  })
}

function checkColor(value: string, name: string): void {
  const color = readRoleColor(value)
  if (color === 'not-a-color') throw new Refusal('invalid-role', `${value} is not a color`, name)
  if (color === 'not-opaque')
    throw new Refusal('invalid-role', `${value} is see-through: a role is opaque, each place keeps its own alpha`, name)
}
