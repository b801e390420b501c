import type { NewEvent, NewPalette, Palette, Plan } from '@undo-ink/contracts'
import {
  type EventProblem,
  eventProblem,
  foldPlan,
  type PlanEvent,
  type PlanState,
  type Role,
  readRoleColor,
  sameRoleName,
  settled,
} from '@undo-ink/core'
import type { Sequelize, Transaction } from 'sequelize'
import { PaletteRow, PlanEventRow, type PlanRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { addPaletteVersion } from '../sites/store.ts'
import { checkCorrections } from './corrections.ts'
import { findPlan, listEvents, lockPlan, paletteVersions, rolesOf } from './store.ts'

/** Where a plan stands now, and the roles of the palette version that it is on. */
export interface Standing {
  readonly state: PlanState
  readonly roles: readonly Role[]
}

export async function planStanding(plan: PlanRow, transaction?: Transaction): Promise<Standing> {
  const events = await listEvents(plan.id, transaction)
  const state = foldPlan(
    startOf(plan),
    events.map(({ event }) => event),
  )
  return { state, roles: await rolesOf(plan.paletteId, state.paletteVersion, transaction) }
}

function startOf(plan: PlanRow): Plan['start'] {
  return { tolerance: plan.startTolerance, paletteVersion: plan.startPaletteVersion }
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

export async function getPalette(id: string): Promise<Palette> {
  if (!(await PaletteRow.findByPk(id))) throw new Refusal('not-found', 'There is no such palette')
  const versions = await paletteVersions(id)
  return {
    id,
    versions: await Promise.all(versions.map(async (version) => ({ version, roles: await rolesOf(id, version) }))),
  }
}

/** Records an event; sent again under the same id, it is answered as before and not recorded twice. */
export function recordEvent(sequelize: Sequelize, planId: string, { id, version, event }: NewEvent): Promise<Plan> {
  return append(sequelize, planId, id, version, async () => event)
}

/** Makes a new version of the palette, made colors following their bases, and moves the plan to it, as one act. */
export function changePalette(sequelize: Sequelize, planId: string, { id, version, roles }: NewPalette): Promise<Plan> {
  checkRoles(roles)
  const made = settled(roles)
  return append(sequelize, planId, id, version, async (plan, transaction) => {
    const versions = await paletteVersions(plan.paletteId, transaction)
    const next = (versions.at(-1) ?? 0) + 1
    await addPaletteVersion(plan.paletteId, next, made, transaction)
    return { kind: 'palette', version: next }
  })
}

function append(
  sequelize: Sequelize,
  planId: string,
  id: string,
  version: number,
  make: (plan: PlanRow, transaction: Transaction) => Promise<PlanEvent>,
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
    const event = await make(plan, transaction)
    await checkEvent(plan, events, event, transaction)
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
}

async function checkEvent(plan: PlanRow, events: readonly PlanEventRow[], event: PlanEvent, transaction: Transaction) {
  const state = foldPlan(
    startOf(plan),
    events.map((each) => each.event),
  )
  const problem = eventProblem(state, event)
  if (problem) throw new Refusal('invalid-event', PROBLEM_WORDS[problem])
  if (event.kind === 'decide') {
    const roles = await rolesOf(plan.paletteId, state.paletteVersion, transaction)
    for (const { to } of event.decisions) {
      if (to.kind === 'role' && !roles.some((role) => role.id === to.role))
        throw new Refusal('invalid-event', 'The palette has no such role', to.role)
    }
  }
  if (event.kind === 'correct') await checkCorrections(plan.snapshotId, event.corrections)
  if (event.kind === 'palette' && !(await paletteVersions(plan.paletteId, transaction)).includes(event.version))
    throw new Refusal('invalid-event', 'The palette has no such version', String(event.version))
}

/** Every role needs an opaque color and a name of its own. */
export function checkRoles(roles: readonly Role[]): void {
  roles.forEach((role, index) => {
    const color = readRoleColor(role.color)
    if (color === 'not-a-color') throw new Refusal('invalid-role', `${role.color} is not a color`, role.name)
    if (color === 'not-opaque')
      throw new Refusal(
        'invalid-role',
        `${role.color} is see-through: a role is opaque, each place keeps its own alpha`,
        role.name,
      )
    const twin = roles.slice(0, index).some((other) => other.id === role.id || sameRoleName(other.name, role.name))
    if (twin) throw new Refusal('same-role-twice', `There is a role called ${role.name} already`, role.name)
  })
}
