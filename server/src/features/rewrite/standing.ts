import { createHash } from 'node:crypto'
import { gunzipSync } from 'node:zlib'
import { decidedIn, resolveLedger, standingOf, unpackLedger } from '@undo-ink/core'
import type { PlanRow, Tally } from '../../db/models.ts'
import { getAuditPart, pagesOf } from '../audit/service.ts'
import { planStanding } from '../plans/service.ts'

/** How far a plan is, in places. */
export interface Progress {
  readonly decided: number
  readonly possible: number
}

/** Counts of plans as they stood, the latest at the end: what is listed again is not counted again. */
const known = new Map<string, Progress>()
const MOST_KNOWN = 500

/** How far a plan is, counted as the interface counts. @param tallies of its copy */
export async function progressOf(plan: PlanRow, tallies: readonly Tally[]): Promise<Progress> {
  const { state, roles } = await planStanding(plan)
  const { decisions, confirmations } = state
  const possible = tallies.reduce((sum, each) => sum + each.possible, 0)
  if (decisions.length + confirmations.length === 0 || tallies.length === 0) return { decided: 0, possible }
  const held = createHash('sha256')
    .update(JSON.stringify([tallies, roles]))
    .digest('hex')
  const key = `${plan.id} ${state.version} ${held}`
  const before = known.get(key)
  if (before) return before
  const ledger = unpackLedger(gunzipSync(await getAuditPart(plan.snapshotId, 'ledger')))
  if (!ledger) throw new Error(`the ledger of plan ${plan.id} cannot be read`)
  const asksForPages = decisions.some(({ target }) => target.scope?.page !== undefined)
  const pages = asksForPages ? await pagesOf(plan.snapshotId) : []
  const standing = standingOf(resolveLedger(ledger, decisions, roles, pages, confirmations))
  const progress = { decided: decidedIn(standing), possible: standing.possible }
  known.set(key, progress)
  for (const [oldest] of known) {
    if (known.size <= MOST_KNOWN) break
    known.delete(oldest)
  }
  return progress
}
