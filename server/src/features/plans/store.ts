import type { Plan } from '@undo-ink/contracts'
import { foldPlan, type PlanState } from '@undo-ink/core'
import type { Transaction } from 'sequelize'
import { PlanEventRow, PlanRow } from '../../db/models.ts'

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

export function startOf(plan: PlanRow): Plan['start'] {
  return { tolerance: plan.startTolerance, paletteVersion: plan.startPaletteVersion }
}

/** Where a plan stands after all its events. */
export async function planState(plan: PlanRow, transaction?: Transaction): Promise<PlanState> {
  return stateAfter(plan, await listEvents(plan.id, transaction))
}

export function stateAfter(plan: PlanRow, events: readonly PlanEventRow[]): PlanState {
  return foldPlan(
    startOf(plan),
    events.map(({ event }) => event),
  )
}
