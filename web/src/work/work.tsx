import { useQueryClient, useSuspenseQueries, useSuspenseQuery } from '@tanstack/react-query'
import type { Audit, Plan, Site, Snapshot } from '@undo-ink/contracts'
import {
  type Behavior,
  type Cluster,
  clustersAt,
  foldPlan,
  isDecided,
  type Ledger,
  type Outcome,
  type PlacedFinding,
  type PlanState,
  type Resolve,
  type Role,
  resolver,
  type SitePages,
} from '@undo-ink/core'
import { createContext, type ReactNode, useContext, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { auditQuery, ledgerQuery } from '../api/copies.ts'
import { getPlan, paletteQuery, postEvent, postPalette } from '../api/plans.ts'
import { apartOf, countBy, groupBy, type InFile, type PlaceOf, placesOf, type Taking } from './places.ts'
import { createPlanStore, type PlanStore, shownEvents } from './plan-store.ts'
import { type Row, reuseRows, rowOf } from './standing.ts'
import { useLinkage } from './use-linkage.ts'

/** Everything that the stages of one site share. */
export interface Work {
  readonly site: Site
  readonly snapshot: Snapshot
  readonly places: readonly PlaceOf[]
  readonly taking: readonly Taking[]
  /** What scripts do to colors and classes while a visitor acts. */
  readonly behaviors: readonly InFile<Behavior>[]
  readonly findings: readonly InFile<PlacedFinding>[]
  readonly sitePages: SitePages
  /** How many places take each variable that carries a color, through others too. */
  readonly variableUses: ReadonlyMap<string, number>
  readonly colors: number
  /** null while they are computed. */
  readonly clusters: readonly Cluster[] | null
  /** One row for each cluster, in their order. */
  readonly rows: readonly Row[]
  /** By the index of the place. */
  readonly outcomes: readonly Outcome[]
  readonly decided: number
  readonly state: PlanState
  readonly resolve: Resolve
  readonly roles: readonly Role[]
  readonly store: PlanStore
  /** Whether everything shown is recorded. */
  readonly saved: boolean
}

const WorkContext = createContext<Work | null>(null)

/** Loads what a site's stages need, and keeps it up to date with every act. Suspends until it is there. */
export function WorkProvider({ site, snapshot, children }: { site: Site; snapshot: Snapshot; children: ReactNode }) {
  // Asked for together: one after the other each would wait for the one before.
  const [{ data: plan }, { data: audit }, { data: ledger }] = useSuspenseQueries({
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
    <LoadedWork key={plan.id} site={site} snapshot={snapshot} plan={plan} audit={audit} ledger={ledger}>
      {children}
    </LoadedWork>
  )
}

function LoadedWork({
  site,
  snapshot,
  plan,
  audit,
  ledger,
  children,
}: {
  site: Site
  snapshot: Snapshot
  plan: Plan
  audit: Audit
  ledger: Ledger
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
        reload: async (planId) => {
          const [answer] = await Promise.all([
            getPlan(planId),
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

  const places = useMemo(() => placesOf(ledger, snapshot), [ledger, snapshot])
  const { taking, behaviors, findings } = useMemo(() => apartOf(audit), [audit])
  const variableUses = useMemo(() => new Map(audit.variables.map(({ name, uses }) => [name, uses])), [audit])
  const counts = useMemo(() => countBy(places, ({ color }) => color), [places])
  const colors = useMemo(() => [...counts.keys()], [counts])
  const byColor = useMemo(() => groupBy(places, ({ color }) => color), [places])
  const linkage = useLinkage(colors)
  const state = useMemo(
    () =>
      foldPlan(
        plan.start,
        shownEvents(planState).map(({ event }) => event),
      ),
    [plan.start, planState],
  )
  const roles = useMemo(
    () => palette.versions.find(({ version }) => version === state.paletteVersion)?.roles ?? [],
    [palette, state.paletteVersion],
  )
  const resolve = useMemo(() => resolver(state.decisions, roles), [state.decisions, roles])
  const outcomes = useMemo(() => places.map(resolve), [places, resolve])
  const clusters = useMemo(
    () => (linkage ? clustersAt(linkage, state.tolerance, counts) : null),
    [linkage, state.tolerance, counts],
  )
  const shownRows = useRef<readonly Row[]>([])
  const rows = useMemo(() => {
    const now = (clusters ?? []).map((cluster) =>
      rowOf(
        cluster,
        null,
        cluster.members.flatMap((member) => byColor.get(member) ?? []),
        outcomes,
      ),
    )
    shownRows.current = reuseRows(shownRows.current, now)
    return shownRows.current
  }, [clusters, byColor, outcomes])
  const work: Work = {
    site,
    snapshot,
    places,
    taking,
    behaviors,
    findings,
    sitePages: audit.pages,
    variableUses,
    colors: colors.length,
    clusters,
    rows,
    outcomes,
    decided: outcomes.filter(isDecided).length,
    state,
    resolve,
    roles,
    store,
    saved: planState.pending.length === 0,
  }
  return <WorkContext value={work}>{children}</WorkContext>
}

export function useWork(): Work {
  const work = useContext(WorkContext)
  if (!work) throw new Error('no site is open here')
  return work
}
