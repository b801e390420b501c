import { groupBy, type Role } from '@undo-ink/core'
import type { Transaction } from 'sequelize'
import { PaletteRow, PaletteVersionRow, RoleRow } from '../../db/models.ts'

export function findPalette(id: string): Promise<PaletteRow | null> {
  return PaletteRow.findByPk(id)
}

/** Holds a palette, so that nobody else makes a version of it until the transaction ends. */
export async function lockPalette(id: string, transaction: Transaction): Promise<void> {
  await PaletteRow.findByPk(id, { transaction, lock: true })
}

export function paletteVersions(paletteId: string, transaction?: Transaction): Promise<PaletteVersionRow[]> {
  return PaletteVersionRow.findAll({
    where: { paletteId },
    order: [['version', 'ASC']],
    transaction: transaction ?? null,
  })
}

export async function addPaletteVersion(
  paletteId: string,
  version: number,
  roles: readonly Role[],
  transaction: Transaction,
): Promise<void> {
  await PaletteVersionRow.create({ paletteId, version, createdAt: new Date() }, { transaction })
  await RoleRow.bulkCreate(
    roles.map(({ id, name, color, dark, print, description, serves, on, made }, position) => ({
      ...{ paletteId, version, id, position, name, color },
      ...{ dark: dark ?? null, print: print ?? null, description: description ?? null },
      ...{ serves: serves ?? null, onRoles: on ?? null, made: made ?? null },
    })),
    { transaction },
  )
}

export async function rolesOf(paletteId: string, version: number, transaction?: Transaction): Promise<Role[]> {
  const rows = await RoleRow.findAll({
    where: { paletteId, version },
    order: [['position', 'ASC']],
    transaction: transaction ?? null,
  })
  return rows.map(roleOf)
}

/** The roles of every version of a palette, by version. */
export async function rolesOfVersions(paletteId: string): Promise<Map<number, Role[]>> {
  const rows = await RoleRow.findAll({ where: { paletteId }, order: [['position', 'ASC']] })
  const versions = groupBy(rows, ({ version }) => version)
  return new Map(Array.from(versions, ([version, rows]) => [version, rows.map(roleOf)]))
}

function roleOf({ id, name, color, dark, print, description, serves, onRoles, made }: RoleRow): Role {
  return {
    ...{ id, name, color },
    ...(dark === null ? {} : { dark }),
    ...(print === null ? {} : { print }),
    ...(description === null ? {} : { description }),
    ...(serves === null ? {} : { serves }),
    ...(onRoles === null ? {} : { on: onRoles }),
    ...(made === null ? {} : { made }),
  }
}
