import { PlanFold, type PlanState } from '@undo-ink/core'
import { Op, type Transaction } from 'sequelize'
import { PlanEventRow, type PlanRow } from '../../db/models.ts'

/** Plans whose folded histories are kept, the latest asked at the end: an event is read and folded once. */
const folds = new Map<string, PlanFold>()
const MOST_KEPT = 200

/** The events of a plan behind the first ones. */
export function eventsAfter(planId: string, version: number, transaction?: Transaction): Promise<PlanEventRow[]> {
  return PlanEventRow.findAll({
    where: { planId, seq: { [Op.gt]: version } },
    order: [['seq', 'ASC']],
    transaction: transaction ?? null,
  })
}

/** Where a plan stands after all events that are recorded. Only those are read that were not there the last time. */
export async function planState(plan: PlanRow, transaction?: Transaction): Promise<PlanState> {
  const fold = folds.get(plan.id) ?? new PlanFold(startOf(plan))
  const events = await eventsAfter(plan.id, fold.version, transaction)
  // Another request may have read the same meanwhile.
  for (const { seq, event } of events) if (seq === fold.version + 1) fold.append(event)
  folds.delete(plan.id)
  folds.set(plan.id, fold)
  for (const [oldest] of folds) {
    if (folds.size <= MOST_KEPT) break
    folds.delete(oldest)
  }
  return fold.state()
}

export function startOf({ startTolerance, startPaletteVersion }: PlanRow) {
  return { tolerance: startTolerance, paletteVersion: startPaletteVersion }
}
