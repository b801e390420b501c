import type { Role } from '@undo-ink/core'
import type { Transaction } from 'sequelize'
import { PaletteVersionRow, PlanEventRow, PlanRow, RoleRow } from '../../db/models.ts'

export function findPlan(id: string): Promise<PlanRow | null> {
  return PlanRow.findByPk(id)
}

/** The plan, held so that nobody else can add to its history until the transaction ends. */
export function lockPlan(id: string, transaction: Transaction): Promise<PlanRow | null> {
  return PlanRow.findByPk(id, { transaction, lock: true })
}

export function listEvents(planId: string, transaction?: Transaction): Promise<PlanEventRow[]> {
  return PlanEventRow.findAll({ where: { planId }, order: [['seq', 'ASC']], transaction: transaction ?? null })
}

export async function rolesOf(paletteId: string, version: number, transaction?: Transaction): Promise<Role[]> {
  const rows = await RoleRow.findAll({
    where: { paletteId, version },
    order: [['position', 'ASC']],
    transaction: transaction ?? null,
  })
  return rows.map(({ id, name, color, serves, onRoles, made }) => ({
    id,
    name,
    color,
    ...(serves === null ? {} : { serves }),
    ...(onRoles === null ? {} : { on: onRoles }),
    ...(made === null ? {} : { made }),
  }))
}

export async function paletteVersions(paletteId: string, transaction?: Transaction): Promise<number[]> {
  const rows = await PaletteVersionRow.findAll({
    where: { paletteId },
    order: [['version', 'ASC']],
    transaction: transaction ?? null,
  })
  return rows.map(({ version }) => version)
}
