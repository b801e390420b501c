import type { NewEvent, NewPalette, Plan } from '@undo-ink/contracts'
import { type EventProblem, eventProblem, type PlanEvent, type PlanState, type Role, settled } from '@undo-ink/core'
import type { Sequelize, Transaction } from 'sequelize'
import { PlanEventRow, type PlanRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { checkGround, checkRoles } from '../palettes/roles.ts'
import { versionInUse } from '../palettes/service.ts'
import { addPaletteVersion, lockPalette, paletteVersions, rolesOf } from '../palettes/store.ts'
import { checkCorrections } from './corrections.ts'
import { checkInsertions } from './insertions.ts'
import { findPlan, listEvents, lockPlan, startOf, stateAfter } from './store.ts'

/** Where a plan stands now, and the roles of the palette version that it is on. */
export interface Standing {
  /** How many events it has. */
  readonly version: number
  readonly state: PlanState
  readonly roles: readonly Role[]
}

export async function planStanding(plan: PlanRow, transaction?: Transaction): Promise<Standing> {
  const events = await listEvents(plan.id, transaction)
  const state = stateAfter(plan, events)
  return { version: events.length, state, roles: await rolesOf(plan.paletteId, state.paletteVersion, transaction) }
}

export async function requirePlan(id: string): Promise<PlanRow> {
  const plan = await findPlan(id)
  if (!plan) throw new Refusal('not-found', 'There is no such plan')
  return plan
}

export async function getPlan(id: string): Promise<Plan> {
  const plan = await requirePlan(id)
  return describePlan(plan, await listEvents(plan.id))
}

function describePlan(plan: PlanRow, events: readonly PlanEventRow[]): Plan {
  return {
    id: plan.id,
    paletteId: plan.paletteId,
    start: startOf(plan),
    version: events.length,
    events: events.map(({ seq, id, at, event }) => ({ seq, id, at: at.toISOString(), event })),
  }
}

/** Records an event; sent again under the same id, it is answered as before and not recorded twice. */
export function recordEvent(sequelize: Sequelize, planId: string, { id, version, event }: NewEvent): Promise<Plan> {
  return append(sequelize, planId, id, version, async () => event)
}

/**
 * Makes a new version of the palette, made colors following their bases, and moves the plan to it, as one act. Refused for a plan that stays on an older
 * version than another site of the client: what was made there would be lost in the new one.
 */
export function changePalette(sequelize: Sequelize, planId: string, { id, version, roles }: NewPalette): Promise<Plan> {
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

function append(
  sequelize: Sequelize,
  planId: string,
  id: string,
  version: number,
  make: (plan: PlanRow, state: PlanState, transaction: Transaction) => Promise<PlanEvent>,
): Promise<Plan> {
  return sequelize.transaction(async (transaction) => {
    const plan = await lockPlan(planId, transaction)
    if (!plan) throw new Refusal('not-found', 'There is no such plan')
    const events = await listEvents(planId, transaction)
    if (events.some((each) => each.id === id)) return describePlan(plan, events)
    if (events.length !== version)
      throw new Refusal(
        'conflict',
        'The plan was changed in another window; it is shown as it is now',
        String(events.length),
      )
    const state = stateAfter(plan, events)
    const event = await make(plan, state, transaction)
    await checkEvent(plan, state, event, transaction)
    const row = await PlanEventRow.create({ planId, seq: version + 1, id, at: new Date(), event }, { transaction })
    return describePlan(plan, [...events, row])
  })
}

const PROBLEM_WORDS: Readonly<Record<EventProblem, string>> = {
  'nothing-to-undo': 'There is nothing to undo',
  'nothing-to-redo': 'There is nothing to redo',
  'decision-exists': 'This decision was made already',
  'decision-unknown': 'This decision was taken back already',
  'corrected-already': 'This slip was put right already',
  'not-yet': 'The plan has not come as far as that',
}

async function checkEvent(plan: PlanRow, state: PlanState, event: PlanEvent, transaction: Transaction) {
  const problem = eventProblem(state, event)
  if (problem) throw new Refusal('invalid-event', PROBLEM_WORDS[problem])
  if (event.kind === 'decide') {
    const roles = await rolesOf(plan.paletteId, state.paletteVersion, transaction)
    for (const { to, over } of event.decisions) {
      const taken = to.kind === 'role' || to.kind === 'color' ? [to] : to.kind === 'gradient' ? to.stops : []
      for (const ground of over ? [...taken, over] : taken) checkGround(ground, roles)
    }
  }
  if (event.kind === 'insert') {
    const roles = await rolesOf(plan.paletteId, state.paletteVersion, transaction)
    await checkInsertions(plan.snapshotId, event.insertions, roles)
  }
  if (event.kind === 'correct') await checkCorrections(plan.snapshotId, event.corrections)
  if (event.kind !== 'palette') return
  const versions = await paletteVersions(plan.paletteId, transaction)
  if (!versions.some(({ version }) => version === event.version))
    throw new Refusal('invalid-event', 'The palette has no such version', String(event.version))
}
