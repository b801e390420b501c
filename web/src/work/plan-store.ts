import type { Plan, RecordedEvent } from '@undo-ink/contracts'
import type { PlanEvent, Role } from '@undo-ink/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { ApiError } from '../api/client.ts'

/** What waits to be recorded: an event, or a new palette (whose event the server makes). */
export type Pending =
  | { readonly id: string; readonly kind: 'event'; readonly event: PlanEvent; readonly at: string }
  | { readonly id: string; readonly kind: 'palette'; readonly roles: readonly Role[] }

/** What happened to an act that could not be recorded. */
export interface Trouble {
  readonly title: string
  readonly detail: string | null
  /** Whether the acts still wait and can be sent again. */
  readonly waiting: boolean
  /** What came between, where the plan was changed in another window; null: it was not. */
  readonly meanwhile: Meanwhile | null
}

/** Two windows on one plan: what the other one did, and what of this one was not recorded. */
export interface Meanwhile {
  readonly there: readonly PlanEvent[]
  readonly here: readonly Pending[]
}

export interface PlanStoreState {
  /** As the server last confirmed it. */
  readonly plan: Plan
  readonly pending: readonly Pending[]
  readonly trouble: Trouble | null
}

/** How the store reaches the server. */
export interface Recorder {
  event(planId: string, body: { id: string; version: number; event: PlanEvent }): Promise<Plan>
  palette(planId: string, body: { id: string; version: number; roles: Role[] }): Promise<Plan>
  reload(planId: string): Promise<Plan>
}

export interface PlanStore extends StoreApi<PlanStoreState> {
  /** Shows an event at once and records it; events are sent one after the other. */
  act(event: PlanEvent): void
  changePalette(roles: readonly Role[]): void
  /** Sends again what still waits. */
  retry(): void
  /** Does after what was done in another window what was not recorded because of it, where it means the same there. */
  again(): void
  dismiss(): void
}

/**
 * The plan as the contractor sees it: what is confirmed, and the acts on their way. An act that the server refuses is dropped with
 * those behind it, and the plan is shown as it is there; one that got no answer waits, under the same id, so that it is never recorded twice.
 */
export function createPlanStore(plan: Plan, recorder: Recorder, newId: () => string, now: () => string): PlanStore {
  const store = createStore<PlanStoreState>(() => ({ plan, pending: [], trouble: null }))
  let sending = false

  async function drain(): Promise<void> {
    if (sending) return
    sending = true
    try {
      for (let next = store.getState().pending[0]; next; next = store.getState().pending[0]) {
        const { plan } = store.getState()
        const { id } = next
        const version = plan.version
        const confirmed =
          next.kind === 'event'
            ? await recorder.event(plan.id, { id, version, event: next.event })
            : await recorder.palette(plan.id, { id, version, roles: [...next.roles] })
        store.setState(({ pending }) => ({ plan: confirmed, pending: pending.slice(1), trouble: null }))
      }
    } catch (error) {
      await recover(error)
    } finally {
      sending = false
    }
  }

  async function recover(error: unknown): Promise<void> {
    const { message, detail, code } = error instanceof ApiError ? error : new ApiError(null)
    const waiting = code === null || code === 'internal'
    if (waiting) {
      store.setState({ trouble: { title: message, detail, waiting, meanwhile: null } })
      return
    }
    const { plan } = store.getState()
    const current = await recorder.reload(plan.id).catch(() => plan)
    store.setState(({ pending: here }) => {
      const there = current.events.slice(plan.version).map(({ event }) => event)
      const trouble =
        code === 'conflict'
          ? { title: message, detail: null, waiting, meanwhile: { there, here } }
          : { title: message, detail, waiting, meanwhile: null }
      return { plan: current, pending: [], trouble }
    })
  }

  function enqueue(item: Pending): void {
    store.setState(({ pending }) => ({ pending: [...pending, item] }))
    void drain()
  }

  return Object.assign(store, {
    act: (event: PlanEvent) => enqueue({ id: newId(), kind: 'event', event, at: now() }),
    changePalette: (roles: readonly Role[]) => enqueue({ id: newId(), kind: 'palette', roles }),
    retry: () => {
      store.setState({ trouble: null })
      void drain()
    },
    again: () => {
      const here = store.getState().trouble?.meanwhile?.here ?? []
      store.setState({ trouble: null })
      for (const item of here) if (canFollow(item)) enqueue(item)
    },
    dismiss: () => store.setState({ trouble: null }),
  })
}

/**
 * Whether an act means the same after others that came between. An undo would undo the other window's act, and a whole palette or the taking back of something would
 * overwrite what was done there.
 */
export function canFollow(item: Pending): boolean {
  return item.kind === 'event' && FOLLOWING.has(item.event.kind)
}

const FOLLOWING: ReadonlySet<PlanEvent['kind']> = new Set([
  'decide',
  'correct',
  'insert',
  'confirm',
  'tolerance',
  'group',
  'ungroup',
  'lead',
  'point',
])

/** All events in order, those on their way last. */
export function shownEvents({ plan, pending }: PlanStoreState): RecordedEvent[] {
  const waiting = pending.flatMap((item) => (item.kind === 'event' ? [item] : []))
  return [...plan.events, ...waiting.map(({ id, at, event }, i) => ({ id, at, event, seq: plan.version + 1 + i }))]
}
