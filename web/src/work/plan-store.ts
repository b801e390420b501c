import type { Plan, PlanTail, RecordedEvent } from '@undo-ink/contracts'
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
  event(planId: string, body: { id: string; version: number; event: PlanEvent }): Promise<PlanTail>
  palette(planId: string, body: { id: string; version: number; roles: Role[] }): Promise<PlanTail>
  /** What came behind a version. */
  reload(planId: string, after: number): Promise<PlanTail>
}

export interface PlanStore extends StoreApi<PlanStoreState> {
  /** Shows an event at once and records it; events are sent one after the other. */
  act(event: PlanEvent): void
  changePalette(roles: readonly Role[]): void
  /** Sends again what still waits. */
  retry(): void
  /** Gives up the first act that waits, and sends the others. */
  leaveOut(): void
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
        const { id: planId, version } = store.getState().plan
        const { id } = next
        const confirmed =
          next.kind === 'event'
            ? await recorder.event(planId, { id, version, event: next.event })
            : await recorder.palette(planId, { id, version, roles: [...next.roles] })
        const there = confirmed.events.filter((each) => each.id !== id).map(({ event }) => event)
        const here = store.getState().pending.slice(1)
        const plan = withTail(store.getState().plan, confirmed)
        // Its first answer was lost, and another window came before what waits behind it: that would undo or overwrite what was done there.
        const isBetween = there.length > 0 && here.length > 0
        const trouble = isBetween ? { ...MOVED_ON, meanwhile: { there, here } } : null
        store.setState({ plan, pending: isBetween ? [] : here, trouble })
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
    const tail = await recorder.reload(plan.id, plan.version).catch(() => ({ ...plan, events: [] }))
    store.setState(({ pending: here }) => {
      const there = tail.events.map(({ event }) => event)
      const trouble =
        code === 'conflict'
          ? { title: message, detail: null, waiting, meanwhile: { there, here } }
          : { title: message, detail, waiting, meanwhile: null }
      return { plan: withTail(plan, tail), pending: [], trouble }
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
    leaveOut: () => {
      store.setState(({ pending }) => ({ pending: pending.slice(1), trouble: null }))
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

const MOVED_ON = {
  title: 'The plan was changed in another window; it is shown as it is now',
  detail: null,
  waiting: false,
} as const

function withTail(plan: Plan, { version, events }: PlanTail): Plan {
  return { ...plan, version, events: [...plan.events, ...events] }
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
