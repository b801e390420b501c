import { Box, Flex, Text } from '@chakra-ui/react'
import type { Becoming, Role } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { Loading } from '../../components/loading.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { are, count, number } from '../../components/words.ts'
import { partOf, type Row, rowsIn } from '../../work/standing.ts'
import { useStable } from '../../work/use-stable.ts'
import { useView } from '../../work/view-store.ts'
import { useWork, type Work } from '../../work/work.tsx'
import { ClusterList } from './cluster-list.tsx'
import { ConsequencePanel } from './consequence-panel.tsx'
import { decide, decisionsOf } from './deciding.ts'
import { NewerVersion } from './palette/newer-version.tsx'
import { RoleTray } from './role-tray.tsx'
import { ScopeDialog } from './scope/scope-dialog.tsx'
import { decisionsFor, suggestionsOf } from './suggesting.ts'
import { TakeSuggestions } from './take-suggestions.tsx'
import { ToleranceSlider } from './tolerance-slider.tsx'
import { useSuggestions } from './use-suggestions.ts'

/** Near-duplicates as clusters, and what becomes of each. */
export function MappingScreen() {
  const work = useWork()
  const { rows, clusters, colors, state, store, roles, site, newerPalette } = work
  const stretch = useView((view) => view.stretch)
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set())
  const [params] = useSearchParams()
  const [selectedKey, setSelectedKey] = useState(params.get('row'))
  const [tried, setTried] = useState<Becoming | null>(null)
  const [scoped, setScoped] = useState<Row | null>(null)
  const suggested = useSuggestions()
  const listed = useMemo(() => {
    return rowsIn(rows, stretch).flatMap((row) => (opened.has(row.key) ? [row, ...partsOf(row, work)] : [row]))
  }, [rows, stretch, opened, work])
  const selected = listed.find(({ key }) => key === selectedKey) ?? listed[0] ?? null
  const open = rows.filter((row) => row.open > 0).length

  const give = useStable((row: Row, to: Becoming) => store.act(decide(row, to, () => crypto.randomUUID())))
  const leaveOpen = useStable((row: Row) => {
    const held = decisionsOf(row, state)
    if (held.length > 0) store.act({ kind: 'take-back', decisions: held.map(({ id }) => id) })
  })
  const take = useStable((row: Row) => {
    const decisions = decisionsFor(row, suggestionsOf(row, suggested), () => crypto.randomUUID())
    if (decisions.length > 0) store.act({ kind: 'decide', decisions })
  })
  const toggle = useStable((row: Row) => {
    const next = new Set(opened)
    if (!next.delete(row.cluster.lead)) next.add(row.cluster.lead)
    setOpened(next)
  })
  const giveSelected = useStable((role: Role) => {
    if (selected) give(selected, { kind: 'role', role: role.id })
  })
  const tryRole = useStable((role: Role | null) => setTried(role && { kind: 'role', role: role.id }))
  if (clusters === null) return <Loading says={`Comparing ${count(colors, 'colour')} …`} />
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="520px">
      <StageHead
        title="Mapping"
        sentence={`${count(rows.length, 'cluster stands', 'clusters stand')} for ${count(colors, 'colour')}. ${number(rows.length - open)} ${are(rows.length - open)} decided, ${number(open)} ${are(open)} open.`}
      >
        {roles.length > 0 ? <TakeSuggestions all={suggested} /> : null}
        <ToleranceSlider />
      </StageHead>
      {newerPalette === null ? null : (
        <Box mb="3">
          <NewerVersion />
        </Box>
      )}
      <Flex flex={{ base: 'none', lg: '1' }} minH="0" gap="4" direction={{ base: 'column', lg: 'row' }}>
        <ClusterList
          rows={listed}
          selected={selected}
          opened={opened}
          suggested={suggested}
          onTake={take}
          onSelect={setSelectedKey}
          onGive={give}
          onLeaveOpen={leaveOpen}
          onScope={setScoped}
          onToggle={toggle}
        />
        <ConsequencePanel row={selected} tried={tried} onLeaveOpen={leaveOpen} onGive={give} onScope={setScoped} />
      </Flex>
      <ScopeDialog row={scoped} onClose={() => setScoped(null)} />
      {roles.length > 0 ? (
        <RoleTray disabled={selected === null} onGive={giveSelected} onTry={tryRole} />
      ) : (
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

/** The parts of a cluster by use, most places first. */
function partsOf(row: Row, { places, outcomes }: Work): Row[] {
  return row.uses.map(([use]) => partOf(places, outcomes, row, use))
}
