import { EVENT_PROBLEM_WORDS, type NewEvent, type NewPalette, type Plan, type PlanTail } from '@undo-ink/contracts'
import { eventProblem, type PlanEvent, type PlanState, type Role, settled } from '@undo-ink/core'
import type { Sequelize, Transaction } from 'sequelize'
import { PlanEventRow, PlanRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { checkRoles } from '../palettes/roles.ts'
import { versionInUse } from '../palettes/service.ts'
import { addPaletteVersion, lockPalette, paletteVersions, rolesOf } from '../palettes/store.ts'
import { factsFor } from './facts.ts'
import { eventsAfter, planState, startOf } from './folds.ts'

/** Where a plan stands now, and the roles of the palette version that it is on. */
export interface Standing {
  readonly state: PlanState
  readonly roles: readonly Role[]
}

export async function planStanding(plan: PlanRow): Promise<Standing> {
  const state = await planState(plan)
  return { state, roles: await rolesOf(plan.paletteId, state.paletteVersion) }
}

export async function requirePlan(id: string): Promise<PlanRow> {
  const plan = await PlanRow.findByPk(id)
  if (!plan) throw new Refusal('not-found', 'There is no such plan')
  return plan
}

/** A plan with its whole history. */
export async function getPlan(id: string): Promise<Plan> {
  const plan = await requirePlan(id)
  const { id: _, version, events } = tailOf(plan, 0, await eventsAfter(id, 0))
  return { id: plan.id, paletteId: plan.paletteId, start: startOf(plan), version, events }
}

/** What came to a plan behind its first events. */
export async function getTail(id: string, after: number): Promise<PlanTail> {
  return tailOf(await requirePlan(id), after, await eventsAfter(id, after))
}

function tailOf({ id }: PlanRow, after: number, events: readonly PlanEventRow[]): PlanTail {
  return {
    id,
    version: after + events.length,
    events: events.map((each) => ({ seq: each.seq, id: each.id, at: each.at.toISOString(), event: each.event })),
  }
}

/** Records an event; sent again under the same id, it is answered as before and not recorded twice. */
export function recordEvent(sequelize: Sequelize, planId: string, { id, version, event }: NewEvent): Promise<PlanTail> {
  return append(sequelize, planId, id, version, async () => event)
}

/**
 * Makes a new version of the palette, made colors following their bases, and moves the plan to it, as one act. Refused for a plan that stays on an older
 * version than another site of the client: what was made there would be lost in the new one.
 */
export function changePalette(
  sequelize: Sequelize,
  planId: string,
  { id, version, roles }: NewPalette,
): Promise<PlanTail> {
  checkRoles(roles)
  const made = settled(roles)
  return append(sequelize, planId, id, version, async (plan, { paletteVersion }, transaction) => {
    await lockPalette(plan.paletteId, transaction)
    const inUse = await versionInUse(plan.paletteId, transaction)
    if (inUse > paletteVersion)
      throw new Refusal(
        'palette-moved-on',
        'The palette has a newer version, made for another site',
        `Look at what version ${inUse} moves, and change it there.`,
      )
    const versions = await paletteVersions(plan.paletteId, transaction)
    const next = (versions.at(-1)?.version ?? 0) + 1
    await addPaletteVersion(plan.paletteId, next, made, transaction)
    return { kind: 'palette', version: next }
  })
}

/** Everything here goes over the one connection of its transaction: those who wait for a plan must not keep others from finishing. */
function append(
  sequelize: Sequelize,
  planId: string,
  id: string,
  version: number,
  make: (plan: PlanRow, state: PlanState, transaction: Transaction) => Promise<PlanEvent>,
): Promise<PlanTail> {
  return sequelize.transaction(async (transaction) => {
    // Held, so that nobody else can add to its history until the transaction ends.
    const plan = await PlanRow.findByPk(planId, { transaction, lock: true })
    if (!plan) throw new Refusal('not-found', 'There is no such plan')
    if ((await PlanEventRow.count({ where: { planId, id }, transaction })) > 0)
      return tailOf(plan, version, await eventsAfter(planId, version, transaction))
    const state = await planState(plan, transaction)
    if (state.version !== version)
      throw new Refusal(
        'conflict',
        'The plan was changed in another window; it is shown as it is now',
        String(state.version),
      )
    const event = await make(plan, state, transaction)
    const problem = eventProblem(state, event, await factsFor(plan, state, event, transaction))
    if (problem) throw new Refusal('invalid-event', EVENT_PROBLEM_WORDS[problem.code], problem.about ?? undefined)
    const row = await PlanEventRow.create({ planId, seq: version + 1, id, at: new Date(), event }, { transaction })
    return tailOf(plan, version, [row])
  })
}
