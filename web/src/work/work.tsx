import { useQueryClient, useSuspenseQueries, useSuspenseQuery } from '@tanstack/react-query'
import type { Audit, Palette, Plan, Site, Snapshot } from '@undo-ink/contracts'
import {
  type Behavior,
  type Cluster,
  type Column,
  clustersAt,
  foldPlan,
  type Linkage,
  type Outcome,
  type PlacedFinding,
  type PlanState,
  type Resolver,
  type Role,
  resolveLedger,
  resolver,
  type SitePages,
  type Standing,
  standingOf,
} from '@undo-ink/core'
import {
  createContext,
  type ReactNode,
  useContext,
  useDeferredValue,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react'
import { useStore } from 'zustand'
import { auditQuery, ledgerQuery, type ReceivedLedger } from '../api/copies.ts'
import { getPlan, getTail, paletteQuery, postEvent, postPalette } from '../api/plans.ts'
import type { LedgerDesk } from './ledger-desk.ts'
import { type AllTaking, allTaking, type InFile, SitePlaces, toldOf } from './places.ts'
import { createPlanStore, type PlanStore, shownEvents } from './plan-store.ts'
import { countOutcomes, type Row, type Rows, rowsOf } from './standing.ts'
import type { Stopped } from './stopped.ts'
import { useDesk } from './use-desk.ts'
import { useLinkage } from './use-linkage.ts'
import { useSame, useSameById, useSameByText } from './use-same.ts'
import { useView } from './view-store.ts'

/** What is known of a copy: it stays as it is until the copy is read anew. */
export interface CopyWork {
  readonly site: Site
  readonly snapshot: Snapshot
  readonly places: SitePlaces
  /** The ledger as it came: workers that keep it read it themselves. */
  readonly bytes: Uint8Array
  /** What is known beside the places, as it came: what workers follow variables by. */
  readonly apart: Uint8Array
  /** What takes another color than one written there. */
  readonly taking: AllTaking
  /** What scripts do to colors and classes while a visitor acts. */
  readonly behaviors: readonly InFile<Behavior>[]
  readonly findings: readonly InFile<PlacedFinding>[]
  readonly sitePages: SitePages
  /** How many places take each variable that carries a color, through others too. */
  readonly variableUses: ReadonlyMap<string, number>
  readonly colors: number
}

/** The plan, and what it makes of the copy: it changes with every act. */
export interface PlanWork {
  readonly state: PlanState
  readonly resolver: Resolver
  readonly roles: readonly Role[]
  /** The client's, with all its versions. */
  readonly palette: Palette
  /** A newer version of it that another site of the client is on, before which nothing of it can be changed here; null: there is none. */
  readonly newerPalette: number | null
  readonly store: PlanStore
  /** Of every place, by its index. */
  readonly outcomes: Column<Outcome>
  readonly standing: Standing
  /** Answers views of the ledger; null until it is open. */
  readonly desk: LedgerDesk | null
  /** A worker that something on the screen waits for and that answers no more; null: all do. */
  readonly stopped: Stopped | null
}

/** The clusters: they change with the tolerance, while it is dragged too. */
export interface ClusterWork {
  /** null while it is computed. */
  readonly linkage: Linkage | null
  /** At the tolerance that is shown; null while they are computed. */
  readonly clusters: readonly Cluster[] | null
  /** ΔE00 that is shown: that of the plan, or the one that is tried. */
  readonly tolerance: number
  /** One row for each cluster, in their order. */
  readonly rows: readonly Row[]
}

/** Everything that the stages of one site share. */
export type Work = CopyWork & PlanWork & ClusterWork

const CopyContext = createContext<CopyWork | null>(null)
const PlanContext = createContext<PlanWork | null>(null)
const ClusterContext = createContext<ClusterWork | null>(null)

/** Loads what a site's stages need, and keeps it up to date with every act. Suspends until it is there. */
export function WorkProvider({ site, snapshot, children }: { site: Site; snapshot: Snapshot; children: ReactNode }) {
  // Asked for together: one after the other each would wait for the one before.
  const [{ data: plan }, { data: audit }, { data: received }] = useSuspenseQueries({
    queries: [
      {
        queryKey: ['plan', snapshot.planId],
        queryFn: () => getPlan(snapshot.planId),
        // The store takes over from here.
        staleTime: Number.POSITIVE_INFINITY,
        gcTime: 0,
      },
      auditQuery(snapshot.id),
      ledgerQuery(snapshot.id),
    ],
  })
  return (
    <LoadedWork key={plan.id} site={site} snapshot={snapshot} plan={plan} audit={audit} received={received}>
      {children}
    </LoadedWork>
  )
}

function LoadedWork({
  site,
  snapshot,
  plan,
  audit,
  received: { bytes, ledger },
  children,
}: {
  site: Site
  snapshot: Snapshot
  plan: Plan
  audit: Audit
  received: ReceivedLedger
  children: ReactNode
}) {
  const client = useQueryClient()
  const [store] = useState(() =>
    createPlanStore(
      plan,
      {
        event: postEvent,
        palette: async (planId, body) => {
          const answer = await postPalette(planId, body)
          await client.refetchQueries({ queryKey: paletteQuery(plan.paletteId).queryKey })
          return answer
        },
        reload: async (planId, after) => {
          const [answer] = await Promise.all([
            getTail(planId, after),
            client.refetchQueries({ queryKey: paletteQuery(plan.paletteId).queryKey }),
          ])
          return answer
        },
      },
      () => crypto.randomUUID(),
      () => new Date().toISOString(),
    ),
  )
  const planState = useStore(store)
  const { data: palette } = useSuspenseQuery(paletteQuery(plan.paletteId))

  const places = useMemo(() => new SitePlaces(ledger, snapshot), [ledger, snapshot])
  const { behaviors, findings } = useMemo(() => toldOf(audit.readings), [audit])
  const taking = useMemo(() => allTaking(audit.taking, audit.wholeReadings), [audit])
  const variableUses = useMemo(() => new Map(audit.variables.map(({ name, uses }) => [name, uses])), [audit])
  const counts = useMemo(() => places.counts(), [places])
  const colors = ledger.columns.color.values
  const { linkage, stopped: comparing } = useLinkage(places)
  // An act stays as it is when it is recorded: only then is nothing drawn anew.
  const events = useSameById(shownEvents(planState))
  const state = useMemo(
    () =>
      foldPlan(
        plan.start,
        events.map(({ event }) => event),
      ),
    [plan.start, events],
  )
  // An act that decides nothing leaves the outcomes as they are.
  const decisions = useSameById(state.decisions)
  const byHand = useSameByText(state.byHand)
  const roles = useMemo(
    () => palette.versions.find(({ version }) => version === state.paletteVersion)?.roles ?? [],
    [palette, state.paletteVersion],
  )
  const confirmations = useSameById(state.confirmations)
  const { pages } = audit.pages
  const resolve = useMemo(
    () => resolver(decisions, roles, pages, confirmations),
    [decisions, roles, pages, confirmations],
  )
  const outcomes = useMemo(
    () => resolveLedger(ledger, decisions, roles, pages, confirmations),
    [ledger, decisions, roles, pages, confirmations],
  )
  const standing = useMemo(() => standingOf(outcomes), [outcomes])
  const { desk, stopped: asking } = useDesk(bytes, audit.bytes, snapshot, standing)
  // While it is dragged, the slider is drawn at once, and what follows from it as there is time.
  const tried = useDeferredValue(useView((view) => view.triedTolerance))
  const tolerance = tried ?? state.tolerance
  const clusters = useMemo(
    () => (linkage ? clustersAt(linkage, tolerance, counts, byHand) : null),
    [linkage, tolerance, counts, byHand],
  )
  const counted = useMemo(() => countOutcomes(places, outcomes), [places, outcomes])
  const drawn = useRef<Rows | null>(null)
  const made = useMemo(() => rowsOf(places, counted, clusters ?? [], drawn.current), [clusters, places, counted])
  useLayoutEffect(() => {
    drawn.current = made
  })
  const copy = useSame<CopyWork>({
    ...{ site, snapshot, places, bytes, taking, behaviors, findings, variableUses },
    apart: audit.bytes,
    sitePages: audit.pages,
    colors: colors.length,
  })
  const planWork = useSame<PlanWork>({
    ...{ state, roles, palette, store, outcomes, standing, desk },
    resolver: resolve,
    newerPalette: newerVersion(palette, site.id, state.paletteVersion),
    stopped: comparing ?? asking,
  })
  const clustering = useSame<ClusterWork>({ linkage, clusters, tolerance, rows: made.rows })
  return (
    <CopyContext value={copy}>
      <PlanContext value={planWork}>
        <ClusterContext value={clustering}>{children}</ClusterContext>
      </PlanContext>
    </CopyContext>
  )
}

/** The highest version that another site is on, where it is higher than one. */
function newerVersion({ sites }: Palette, siteId: string, version: number): number | null {
  const others = sites.flatMap((other) => (other.id !== siteId && other.version !== null ? [other.version] : []))
  const highest = Math.max(version, ...others)
  return highest > version ? highest : null
}

/** Whether everything shown is recorded. */
export function useSaved(): boolean {
  return useStore(usePlan().store, ({ pending }) => pending.length === 0)
}

export function useCopy(): CopyWork {
  return opened(useContext(CopyContext))
}

export function usePlan(): PlanWork {
  return opened(useContext(PlanContext))
}

export function useClusters(): ClusterWork {
  return opened(useContext(ClusterContext))
}

/** All of it together: for what asks for most of it. */
export function useWork(): Work {
  const [copy, plan, clustering] = [useCopy(), usePlan(), useClusters()]
  return useMemo(() => ({ ...copy, ...plan, ...clustering }), [copy, plan, clustering])
}

function opened<T>(work: T | null): T {
  if (!work) throw new Error('no site is open here')
  return work
}
