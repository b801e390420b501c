import type { Plan, PlanTail } from '@undo-ink/contracts'
import type { PlanEvent } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { ApiError } from '../api/client.ts'
import { createPlanStore, type Recorder, shownEvents } from './plan-store.ts'

const tolerance = (value: number): PlanEvent => ({ kind: 'tolerance', value })
const empty: Plan = { id: 'p', paletteId: 'q', start: { tolerance: 2, paletteVersion: 1 }, version: 0, events: [] }

/** A server in memory that can fail. */
function server() {
  let plan = empty
  const fails: ApiError[] = []
  const seen: string[] = []
  /** Answers that are lost on their way, after they were recorded. */
  const lost: boolean[] = []
  const after = (version: number): PlanTail => ({ ...plan, events: plan.events.slice(version) })
  const record = async (id: string, version: number, event: PlanEvent): Promise<PlanTail> => {
    const failure = fails.shift()
    if (failure) throw failure
    if (plan.events.some((each) => each.id === id)) return after(version)
    if (version !== plan.version) throw refusal('conflict')
    seen.push(id)
    plan = { ...plan, version: version + 1, events: [...plan.events, { seq: version + 1, id, at: 'then', event }] }
    if (lost.shift()) throw new ApiError(null)
    return after(version)
  }
  const recorder: Recorder = {
    event: (_plan, { id, version, event }) => record(id, version, event),
    palette: (_plan, { id, version }) => record(id, version, { kind: 'palette', version: 2 }),
    reload: async (_plan, version) => after(version),
  }
  return { recorder, fails, lost, seen, elsewhere: (event: PlanEvent) => record('elsewhere', plan.version, event) }
}

function refusal(code: 'conflict' | 'invalid-event'): ApiError {
  return new ApiError({ type: `/problems/${code}`, title: 'refused', status: 409, code })
}

function storeOn({ recorder }: ReturnType<typeof server>) {
  let next = 0
  return createPlanStore(
    empty,
    recorder,
    () => `id${next++}`,
    () => 'now',
  )
}

const settled = () => new Promise((resolve) => setTimeout(resolve))
const kinds = (store: ReturnType<typeof storeOn>) =>
  shownEvents(store.getState()).map(({ event }) => ('value' in event ? event.value : event.kind))

describe('acts on a plan', () => {
  it('show at once and are sent one after the other', async () => {
    const remote = server()
    const store = storeOn(remote)
    store.act(tolerance(1))
    store.act(tolerance(5))
    expect(kinds(store)).toEqual([1, 5])
    expect(store.getState().pending).toHaveLength(2)
    await settled()
    expect(remote.seen).toEqual(['id0', 'id1'])
    expect(store.getState()).toMatchObject({ pending: [], plan: { version: 2 } })
  })

  it('wait when there is no answer, and are sent again under the same id', async () => {
    const remote = server()
    const store = storeOn(remote)
    remote.fails.push(new ApiError(null))
    store.act(tolerance(1))
    store.act(tolerance(5))
    await settled()
    expect(store.getState()).toMatchObject({ trouble: { waiting: true }, plan: { version: 0 } })
    expect(kinds(store)).toEqual([1, 5])
    store.retry()
    await settled()
    expect(remote.seen).toEqual(['id0', 'id1'])
    expect(store.getState()).toMatchObject({ trouble: null, pending: [] })
  })

  it('give way to another window: the plan is shown as it is there', async () => {
    const remote = server()
    const store = storeOn(remote)
    await remote.elsewhere(tolerance(5))
    store.act(tolerance(1))
    store.act(tolerance(2))
    await settled()
    expect(store.getState()).toMatchObject({ trouble: { waiting: false }, pending: [] })
    expect(store.getState().trouble?.meanwhile).toMatchObject({
      there: [tolerance(5)],
      here: [{ event: tolerance(1) }, { event: tolerance(2) }],
    })
    expect(kinds(store)).toEqual([5])
    store.dismiss()
    store.act(tolerance(1))
    await settled()
    expect(kinds(store)).toEqual([5, 1])
  })

  it('that another window came before are done after it when asked, but none that would undo or overwrite what it did', async () => {
    const remote = server()
    const store = storeOn(remote)
    await remote.elsewhere(tolerance(5))
    store.act(tolerance(1))
    store.act({ kind: 'undo' })
    store.act({ kind: 'take-back', decisions: ['d'] })
    store.changePalette([])
    await settled()
    store.again()
    await settled()
    expect(store.getState()).toMatchObject({ trouble: null, pending: [] })
    expect(kinds(store)).toEqual([5, 1])
  })

  it('take nothing of another window back when an answer was lost and an undo waits: that is told', async () => {
    const remote = server()
    const store = storeOn(remote)
    remote.lost.push(true)
    store.act(tolerance(1))
    await settled()
    expect(store.getState().trouble?.waiting).toBe(true)
    await remote.elsewhere(tolerance(5))
    store.act({ kind: 'undo' })
    store.retry()
    await settled()
    expect(kinds(store)).toEqual([1, 5])
    expect(store.getState()).toMatchObject({
      pending: [],
      trouble: { waiting: false, meanwhile: { there: [tolerance(5)], here: [{ event: { kind: 'undo' } }] } },
    })
    store.act({ kind: 'undo' })
    await settled()
    expect(kinds(store)).toEqual([1, 5, 'undo'])
  })

  it('that fail whenever they are sent can be given up, and hold the others up no more', async () => {
    const remote = server()
    const store = storeOn(remote)
    const broken = new ApiError({ type: '/problems/internal', title: 'broken', status: 500, code: 'internal' })
    remote.fails.push(broken, broken)
    store.act(tolerance(1))
    store.act(tolerance(5))
    await settled()
    store.retry()
    await settled()
    expect(store.getState()).toMatchObject({ trouble: { title: 'broken', waiting: true }, pending: [{}, {}] })
    store.leaveOut()
    await settled()
    expect(kinds(store)).toEqual([5])
    expect(store.getState()).toMatchObject({ trouble: null, pending: [], plan: { version: 1 } })
  })

  it('move the palette in their turn', async () => {
    const remote = server()
    const store = storeOn(remote)
    store.act(tolerance(1))
    store.changePalette([])
    await settled()
    expect(kinds(store)).toEqual([1, 'palette'])
  })
})
