import { Flex, Text } from '@chakra-ui/react'
import type { Becoming } from '@undo-ink/core'
import { lazy, Suspense, useDeferredValue, useMemo } from 'react'
import { Loading } from '../../components/loading.tsx'
import { type Segment, Segments } from '../../components/segments.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { useConsequence, usePlanSoFar } from '../../judging/use-judged.ts'
import { Warnings } from '../../judging/warnings.tsx'
import type { Row } from '../../work/standing.ts'
import { usePlan } from '../../work/work.tsx'
import type { Acts } from './cluster-list.tsx'
import { ConsequencePanel } from './consequence-panel.tsx'
import { decisionsOf, trialOf } from './deciding.ts'
import { PageBeside } from './page-beside.tsx'
import { RowActs } from './row-acts.tsx'
import type { Selection } from './use-selection.ts'

/** Charts are large and not always looked at. */
const ClustersPlane = lazy(async () => ({ default: (await import('./clusters-plane.tsx')).ClustersPlane }))

export type Beside = 'reach' | 'page' | 'plane'

const BESIDE: readonly Segment<Beside>[] = [
  { value: 'reach', text: 'Reach' },
  { value: 'page', text: 'Page' },
  { value: 'plane', text: 'Plane' },
]

interface BesidePanelProps {
  readonly rows: readonly Row[]
  readonly selection: Selection
  /** What is being considered; null: what holds now. */
  readonly tried: Becoming | null
  readonly acts: Acts
  readonly beside: Beside
  onBeside(beside: Beside): void
}

/** Beside the clusters: what the selected ones reach, a page as it is decided, or all of them in a plane; and what can be done. */
export function BesidePanel({ rows, selection, tried, acts, beside, onBeside }: BesidePanelProps) {
  const { state, roles } = usePlan()
  const soFar = usePlanSoFar()
  const { acting, selected } = selection
  const row = acting.length === 1 ? (acting[0] ?? null) : null
  const held = row?.shares.length === 1 ? row.shares[0] : null
  const to: Becoming =
    tried ?? (held?.kind === 'role' && held.role ? { kind: 'role', role: held.role.id } : { kind: 'keep' })
  const role = to.kind === 'role' ? roles.find(({ id }) => id === to.role) : null
  const toRole = to.kind === 'role' ? to.role : null
  const isTrying = useDeferredValue(tried !== null)
  // The selection is drawn at once, what it reaches as there is time.
  const about = useDeferredValue(acting)
  const aboutRole = useDeferredValue(toRole)
  const trials = useMemo(() => {
    const trial = trialOf(about, aboutRole === null ? { kind: 'keep' } : { kind: 'role', role: aboutRole })
    return trial && [trial]
  }, [about, aboutRole])
  const plan = useMemo(() => {
    // What holds already is judged against what would hold without it: it is said after the act as it was before.
    const others = new Set(isTrying ? [] : about.flatMap((each) => decisionsOf(each, state).map(({ id }) => id)))
    return { ...soFar, decisions: soFar.decisions.filter(({ id }) => !others.has(id)) }
  }, [about, isTrying, state, soFar])
  // Pairs are judged by a role: without one there is nothing to tell of them, and it would cost most.
  const { judgement, isCurrent } = useConsequence(trials, plan, aboutRole !== null)
  if (!selected) return null
  return (
    <Sheet
      as="section"
      aria-label="Consequence"
      flex={{ base: 'none', lg: beside === 'reach' ? '0 0 290px' : '0 0 430px' }}
      display="flex"
      flexDirection="column"
      overflow="hidden"
      minH={{ base: '560px', lg: '0' }}
      maxH="100%"
    >
      <Flex
        direction="column"
        gap="2"
        flex="1"
        minH="0"
        overflow="auto"
        p="4"
        pt="3"
        pb="2"
        tabIndex={0}
        role="group"
        aria-label="What it reaches"
      >
        <Segments<Beside>
          label="Beside the clusters"
          segments={BESIDE}
          value={beside}
          height={26}
          onChoose={onBeside}
        />
        <Text fontWeight="600" aria-live="polite">
          {role ? (
            <>
              {tried && role.id !== held?.role?.id
                ? `If ${row ? 'this becomes' : `these ${acting.length} become`} `
                : 'This is '}
              <u>{role.name}</u>
            </>
          ) : row ? (
            'What this reaches'
          ) : (
            `What these ${acting.length} reach`
          )}
        </Text>
        {judgement === null ? (
          <Loading />
        ) : beside === 'reach' ? (
          <ConsequencePanel
            rows={acting}
            consequence={judgement}
            isCurrent={isCurrent}
            isToRole={role !== null && role !== undefined}
            onUnmark={selection.clear}
          />
        ) : (
          <>
            {role ? <Warnings judgement={judgement} isCurrent={isCurrent} /> : null}
            {beside === 'page' ? (
              <PageBeside />
            ) : (
              <Suspense fallback={<Loading />}>
                <ClustersPlane
                  rows={rows.filter(({ use }) => use === null)}
                  selected={selected}
                  other={acting.find((each) => each.key !== selected.key) ?? null}
                  onChoose={(key) => selection.choose(key, 'alone')}
                />
              </Suspense>
            )}
          </>
        )}
      </Flex>
      <RowActs rows={acting} acts={acts} isShort={beside !== 'reach'} />
    </Sheet>
  )
}
