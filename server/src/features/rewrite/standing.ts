import { type CountedProgress, PlanRow } from '../../db/models.ts'
import { getAuditPart } from '../audit/service.ts'
import type { Writer } from './writer.ts'

/** Counts how far a plan is, as the interface counts, and keeps that. @param of what it is counted of */
export async function countProgress(
  planId: string,
  of: string,
  writer: Writer,
  signal: AbortSignal,
): Promise<CountedProgress> {
  const plan = await PlanRow.findByPk(planId, { rejectOnEmpty: true })
  const ledger = await getAuditPart(plan.snapshotId, 'ledger')
  const { decided, possible } = await writer.progressOf(plan, ledger, signal)
  const standing = { of, decided, possible }
  await plan.update({ standing })
  return standing
}
