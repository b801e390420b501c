import { Box } from '@chakra-ui/react'
import { countFindings, decidedIn } from '@undo-ink/core'
import { NavLink, useMatch, useNavigate } from 'react-router'
import { HATCHING } from '../components/swatch.tsx'
import { count, number } from '../components/words.ts'
import { STAGE_KEYS, type StageName, useStageKeys } from '../work/use-keys.ts'
import { useStable } from '../work/use-stable.ts'
import { useWork } from '../work/work.tsx'

type Progress = 'done' | 'begun' | 'untouched'

interface Stage {
  readonly to: StageName
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
  const decided = decidedIn(standing)
  const open = rows.filter((row) => row.open > 0).length
  const skipped = snapshot.files.filter((file) => file.skipped !== null).length
  const progress: Progress =
    decided === 0 ? 'untouched' : decided === places.length - standing.possible ? 'done' : 'begun'
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
        { to: 'ledger/findings', name: 'Findings', count: number(countFindings(work.findings)) },
        { to: 'ledger/apart', name: 'Not written out', count: number(work.taking.count) },
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
    { to: 'look', name: 'Look', says: count(work.sitePages.pages.length, 'page'), progress: 'begun' },
    {
      to: 'handover',
      name: 'Handover',
      says: `${count(standing.changed, 'place changes', 'places change')}`,
      progress,
    },
  ]
  const navigate = useNavigate()
  const jump = useStable((name: StageName) => {
    const stage = stages.find(({ to }) => to === name)
    if (stage) void navigate(`/sites/${work.site.id}/${firstOf(stage)}`)
    // Whoever jumps goes on by keys there.
    document.querySelector<HTMLElement>('main')?.focus()
  })
  useStageKeys(jump)
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
      css={STYLES}
    >
      {stages.map((stage, i) => (
        <StageLink key={stage.to} stage={stage} siteId={work.site.id} last={i === stages.length - 1} />
      ))}
    </Box>
  )
}

function firstOf({ to, views }: Stage): string {
  return views?.[0]?.to ?? to
}

function StageLink({ stage, siteId, last }: { stage: Stage; siteId: string; last: boolean }) {
  const base = `/sites/${siteId}`
  const inside = useMatch(`${base}/${stage.to}/*`) !== null
  return (
    <div className={last ? 'stage last' : 'stage'}>
      <Marker progress={stage.progress} />
      <div className="about">
        <NavLink
          to={`${base}/${firstOf(stage)}`}
          aria-label={`${stage.name}: ${stage.says}`}
          aria-keyshortcuts={`Alt+${STAGE_KEYS[stage.to]}`}
          title={`Alt ${STAGE_KEYS[stage.to]}`}
        >
          <span className={inside ? 'name inside' : 'name'}>{stage.name}</span>
          <span className="says">{stage.says}</span>
        </NavLink>
        {inside && stage.views ? (
          <div className="views">
            {stage.views.map(({ to, name, count }) => (
              <NavLink key={to} to={`${base}/${to}`} end={to === stage.to} className="view">
                <span>{name}</span>
                <span>{count}</span>
              </NavLink>
            ))}
          </div>
        ) : null}
      </div>
    </div>
  )
}

/** Plain elements under the styles of the path: all of it is drawn anew at every step along it. */
const STYLES = {
  '& .stage': {
    display: 'flex',
    gap: '10px',
    position: 'relative',
    flex: 'none',
    paddingBottom: { base: '0', md: '12px' },
  },
  '& .stage.last': { paddingBottom: '0' },
  '& .stage:not(.last)::before': {
    content: '""',
    display: { base: 'none', md: 'block' },
    position: 'absolute',
    left: '6px',
    top: '20px',
    bottom: '-4px',
    width: '1px',
    bg: 'strong',
  },
  '& .marker': {
    position: 'relative',
    marginTop: '4px',
    width: '13px',
    height: '13px',
    flex: 'none',
    border: '1px solid',
    borderColor: 'ink',
  },
  '& .about': { flex: 1, minWidth: 0 },
  '& .name': {
    display: 'inline-block',
    fontWeight: 600,
    paddingInline: '6px',
    marginLeft: '-6px',
    borderRadius: '3px',
  },
  '& .name.inside': { bg: 'ink', color: 'sheet' },
  '& .says': { display: 'block', fontSize: '12px', color: 'soft' },
  '& .views': { marginTop: '4px' },
  '& .view': {
    display: 'flex',
    justifyContent: 'space-between',
    gap: '8px',
    fontSize: '13px',
    paddingBlock: '2px',
    borderBottom: '2px solid',
    borderColor: 'transparent',
  },
  '& .view.active': { fontWeight: 600, borderColor: 'ink' },
}

/** Filled: done; half filled: begun; hatched: not begun. */
function Marker({ progress }: { progress: Progress }) {
  const background = {
    done: 'var(--chakra-colors-ink)',
    begun: 'linear-gradient(90deg, var(--chakra-colors-ink) 50%, var(--chakra-colors-sheet) 50%)',
    untouched: HATCHING,
  }[progress]
  return <div aria-hidden className="marker" style={{ background }} />
}
