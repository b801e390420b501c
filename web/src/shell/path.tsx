import { Box, Flex, Text } from '@chakra-ui/react'
import { NavLink, useMatch } from 'react-router'
import { HATCHING } from '../components/swatch.tsx'
import { count, number } from '../components/words.ts'
import { useWork } from '../work/work.tsx'

type Progress = 'done' | 'begun' | 'untouched'

interface Stage {
  readonly to: string
  readonly name: string
  /** What is still open in it. */
  readonly says: string
  readonly progress: Progress
  readonly views?: readonly { readonly to: string; readonly name: string; readonly count: string }[]
}

/** The five stages in the order of the work. Any can be entered at any time. */
export function Path() {
  const work = useWork()
  const { snapshot, places, rows, clusters, roles, standing } = work
  const decided = standing.toRole + standing.kept
  const open = rows.filter((row) => row.open > 0).length
  const skipped = snapshot.files.filter((file) => file.skipped !== null).length
  const pages = snapshot.files.filter((file) => file.syntax === 'html' && file.sha256 !== null).length
  const progress: Progress = decided === 0 ? 'untouched' : decided === places.length ? 'done' : 'begun'
  const stages: Stage[] = [
    {
      to: 'intake',
      name: 'Intake',
      says: `${count(snapshot.files.length, 'file')}, ${skipped} not read`,
      progress: 'done',
      views: [
        { to: 'intake', name: 'Files', count: number(snapshot.files.length) },
        { to: 'intake/pages', name: 'Pages', count: number(work.sitePages.pages.length) },
      ],
    },
    {
      to: 'ledger',
      name: 'Ledger',
      says: count(places.length, 'place'),
      progress: 'done',
      views: [
        { to: 'ledger/places', name: 'Places', count: number(places.length) },
        { to: 'ledger/colors', name: 'Colours', count: number(work.colors) },
        { to: 'ledger/scripts', name: 'Scripts', count: number(work.behaviors.length) },
        { to: 'ledger/findings', name: 'Findings', count: number(work.findings.length) },
        { to: 'ledger/apart', name: 'Apart', count: number(work.taking.length) },
      ],
    },
    {
      to: 'mapping',
      name: 'Mapping',
      says: clusters === null ? 'comparing …' : open === 0 ? 'nothing open' : `${count(open, 'cluster')} open`,
      progress,
      views: [
        { to: 'mapping/clusters', name: 'Clusters', count: number(rows.length) },
        { to: 'mapping/palette', name: 'Palette', count: number(roles.length) },
      ],
    },
    { to: 'look', name: 'Look', says: count(pages, 'page'), progress: 'begun' },
    {
      to: 'handover',
      name: 'Handover',
      says: `${count(standing.toRole, 'place takes', 'places take')} a role`,
      progress,
    },
  ]
  return (
    <Box
      as="nav"
      aria-label="Stages"
      w={{ base: '100%', md: '164px' }}
      flex="none"
      display={{ base: 'flex', md: 'block' }}
      gap="5"
      overflowX="auto"
      py={{ base: '2', md: '4' }}
      px="3"
      borderStyle="solid"
      borderWidth="0"
      borderRightWidth={{ base: '0', md: '1px' }}
      borderBottomWidth={{ base: '1px', md: '0' }}
      borderColor="edge"
    >
      {stages.map((stage, i) => (
        <StageLink key={stage.to} stage={stage} siteId={work.site.id} last={i === stages.length - 1} />
      ))}
    </Box>
  )
}

function StageLink({ stage, siteId, last }: { stage: Stage; siteId: string; last: boolean }) {
  const base = `/sites/${siteId}`
  const inside = useMatch(`${base}/${stage.to}/*`) !== null
  return (
    <Flex gap="2.5" position="relative" flex="none" pb={{ base: '0', md: last ? '0' : '3' }}>
      {last ? null : (
        <Box position="absolute" left="6px" top="20px" bottom="-4px" w="1px" bg="strong" aria-hidden hideBelow="md" />
      )}
      <Marker progress={stage.progress} />
      <Box flex="1" minW="0">
        <NavLink to={`${base}/${stage.views?.[0]?.to ?? stage.to}`} aria-label={`${stage.name}: ${stage.says}`}>
          <Text
            as="span"
            display="inline-block"
            fontWeight="600"
            px="1.5"
            ml="-1.5"
            borderRadius="3px"
            bg={inside ? 'ink' : 'transparent'}
            color={inside ? 'sheet' : 'ink'}
          >
            {stage.name}
          </Text>
          <Text fontSize="12px" color="soft">
            {stage.says}
          </Text>
        </NavLink>
        {inside && stage.views ? (
          <Box mt="1">
            {stage.views.map(({ to, name, count }) => (
              <NavLink key={to} to={`${base}/${to}`} end={to === stage.to}>
                {({ isActive }) => (
                  <Flex
                    justify="space-between"
                    gap="2"
                    fontSize="13px"
                    py="0.5"
                    fontWeight={isActive ? 600 : 400}
                    borderBottom="2px solid"
                    borderColor={isActive ? 'ink' : 'transparent'}
                  >
                    <span>{name}</span>
                    <span>{count}</span>
                  </Flex>
                )}
              </NavLink>
            ))}
          </Box>
        ) : null}
      </Box>
    </Flex>
  )
}

/** Filled: done; half filled: begun; hatched: not begun. */
function Marker({ progress }: { progress: Progress }) {
  const background = {
    done: 'var(--chakra-colors-ink)',
    begun: 'linear-gradient(90deg, var(--chakra-colors-ink) 50%, var(--chakra-colors-sheet) 50%)',
    untouched: HATCHING,
  }[progress]
  return (
    <Box
      aria-hidden
      mt="4px"
      w="13px"
      h="13px"
      flex="none"
      border="1px solid"
      borderColor="ink"
      style={{ background }}
    />
  )
}
