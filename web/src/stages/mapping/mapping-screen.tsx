import { Flex, Text, useBreakpointValue } from '@chakra-ui/react'
import {
  DndContext,
  type DragEndEvent,
  type DragOverEvent,
  DragOverlay,
  type DragStartEvent,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import type { Becoming, Role } from '@undo-ink/core'
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { Loading } from '../../components/loading.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count } from '../../components/words.ts'
import { partOf, type Row, rowsIn } from '../../work/standing.ts'
import { useStable } from '../../work/use-stable.ts'
import { useView } from '../../work/view-store.ts'
import { useWork, type Work } from '../../work/work.tsx'
import { type Beside, BesidePanel } from './beside-panel.tsx'
import { type Acts, ClusterList } from './cluster-list.tsx'
import { decide, decisionsOf, replacing } from './deciding.ts'
import { InsertDialog } from './insert-dialog.tsx'
import { MappingHead, type Only } from './mapping-head.tsx'
import { RoleTray } from './role-tray.tsx'
import { searchedRows } from './row-search.ts'
import { ScopeDialog } from './scope/scope-dialog.tsx'
import { decisionsFor, suggestionsOf } from './suggesting.ts'
import { offeredOf } from './suggestion-troubles.ts'
import { useSelection } from './use-selection.ts'
import { useSuggestions } from './use-suggestions.ts'

/** Near-duplicates as clusters, and what becomes of each. */
export function MappingScreen() {
  const work = useWork()
  const { rows, clusters, colors, state, store, roles, site } = work
  const stretch = useView((view) => view.stretch)
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set())
  const [params] = useSearchParams()
  const [tried, setTried] = useState<Becoming | null>(null)
  const [scoped, setScoped] = useState<Row | null>(null)
  const [inserting, setInserting] = useState(false)
  const [only, setOnly] = useState<Only>('all')
  const isWide = useBreakpointValue({ base: false, lg: true }) ?? true
  const [beside, setBeside] = useState<Beside>('reach')
  const [dragged, setDragged] = useState<Row | null>(null)
  /** Id of the role over which it is dragged. */
  const [over, setOver] = useState<string | null>(null)
  const field = useRef<HTMLInputElement>(null)
  const suggested = useSuggestions()
  const offered = useMemo(() => offeredOf(rows, suggested), [rows, suggested])
  const [typed, setTyped] = useState('')
  const sought = useDeferredValue(typed)
  const listed = useMemo(() => {
    const withSuggestion = new Set(offered.map(({ row }) => row))
    const wanted = searchedRows(rowsIn(rows, stretch), sought, work.places).filter(
      (row) => only === 'all' || (only === 'open' ? row.open > 0 : withSuggestion.has(row)),
    )
    return wanted.flatMap((row) => (opened.has(row.key) ? [row, ...partsOf(row, work)] : [row]))
  }, [rows, stretch, only, opened, offered, sought, work])
  const kept = useView((view) => view.mappingRow)
  const selection = useSelection(listed, params.get('row') ?? kept)
  const { selected, acting } = selection
  // Who comes back from another stage is where they were.
  const keepRow = useView((view) => view.keepRow)
  const selectedKey = selected?.key ?? null
  useEffect(() => keepRow(selectedKey), [keepRow, selectedKey])
  const newId = () => crypto.randomUUID()

  const give = useStable((to: Becoming) => {
    const event = decide(acting, to, state, newId)
    if (event) store.act(event)
    selection.clear()
  })
  const acts: Acts = {
    give,
    leaveOpen() {
      const held = [...new Set(acting.flatMap((row) => decisionsOf(row, state)))]
      if (held.length > 0) store.act({ kind: 'take-back', decisions: held.map(({ id }) => id) })
    },
    take(some) {
      const decisions = some.flatMap((row) => decisionsFor(row, suggestionsOf(row, suggested), newId))
      if (decisions.length > 0) store.act({ kind: 'decide', decisions, ...replacing(decisions, state) })
      selection.clear()
    },
    scope: setScoped,
    toggle: useStable((row: Row) => {
      const next = new Set(opened)
      if (!next.delete(row.cluster.lead)) next.add(row.cluster.lead)
      setOpened(next)
    }),
    typeRole: () => field.current?.focus(),
  }
  const giveRole = useStable((role: Role) => give({ kind: 'role', role: role.id }))
  const tryRole = useStable((role: Role | null) => setTried(role && { kind: 'role', role: role.id }))
  const stopInserting = useStable(() => setInserting(false))
  const stopScoping = useStable(() => setScoped(null))
  const backToList = useStable(() => document.querySelector<HTMLElement>('[role=grid][aria-label^=Clusters]')?.focus())
  const sensors = useSensors(useSensor(PointerSensor, AS_DRAGGING))
  const dragging = {
    onDragStart: ({ active }: DragStartEvent) => {
      const row = listed.find(({ key }) => key === active.id)
      if (row && !acting.includes(row)) selection.choose(row.key, 'alone')
      setDragged(row ?? null)
    },
    onDragOver: ({ over }: DragOverEvent) => setOver(over ? String(over.id) : null),
    onDragEnd: ({ over }: DragEndEvent) => {
      const role = roles.find(({ id }) => id === over?.id)
      if (role) giveRole(role)
      setDragged(null)
      setOver(null)
    },
    onDragCancel: () => {
      setDragged(null)
      setOver(null)
    },
  }
  if (clusters === null) return <Loading says={`Comparing ${count(colors, 'colour')} …`} />
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="520px">
      <MappingHead rows={rows} offered={offered} typed={typed} onType={setTyped} only={only} onOnly={setOnly} />
      <DndContext sensors={sensors} autoScroll={false} collisionDetection={pointerWithin} {...dragging}>
        <Flex flex={{ base: 'none', lg: '1' }} minH="0" gap="4" direction={{ base: 'column', lg: 'row' }}>
          <ClusterList
            rows={listed}
            selection={selection}
            opened={opened}
            suggested={suggested}
            acts={acts}
            room={beside === 'reach' && isWide ? 'wide' : 'narrow'}
          />
          <BesidePanel
            rows={listed}
            selection={selection}
            tried={over === null ? tried : { kind: 'role', role: over }}
            acts={acts}
            beside={beside}
            onBeside={setBeside}
          />
        </Flex>
        {roles.length > 0 ? (
          <RoleTray
            field={field}
            disabled={selected === null}
            onGive={giveRole}
            onTry={tryRole}
            onLeave={backToList}
            onInsert={() => setInserting(true)}
          />
        ) : null}
        <DragOverlay dropAnimation={null}>{dragged ? <Dragged rows={acting} /> : null}</DragOverlay>
      </DndContext>
      <InsertDialog open={inserting} onClose={stopInserting} />
      <ScopeDialog row={scoped} onClose={stopScoping} />
      {roles.length > 0 ? null : (
        <Flex mt="3" gap="3" align="center">
          <Text fontSize="13px">The palette has no roles yet: clusters can be kept, but not given a role.</Text>
          <ActButton main asChild>
            <Link to={`/sites/${site.id}/mapping/palette`}>Make the palette</Link>
          </ActButton>
        </Flex>
      )}
    </Flex>
  )
}

/** From how far on a press is a drag. The same object each time, or every row would be drawn anew. */
const AS_DRAGGING = { activationConstraint: { distance: 6 } }

/** What is being dragged, under the pointer. */
function Dragged({ rows }: { rows: readonly Row[] }) {
  return (
    <Flex
      align="center"
      gap="2"
      p="1.5"
      w="max-content"
      bg="sheet"
      borderWidth="1px"
      borderColor="ink"
      borderRadius="3px"
      fontSize="13px"
      cursor="grabbing"
    >
      {rows.slice(0, MOST_DRAGGED).map(({ key, cluster }) => (
        <Swatch key={key} color={cluster.lead} size="22px" />
      ))}
      {count(rows.length, 'row')}
    </Flex>
  )
}

const MOST_DRAGGED = 5

/** The parts of a cluster by use, most places first. */
function partsOf(row: Row, { places, outcomes }: Work): Row[] {
  return row.uses.map(([use]) => partOf(places, outcomes, row, use))
}
