import { Box, Input } from '@chakra-ui/react'
import { isJobOpen } from '@undo-ink/core'
import { memo } from 'react'
import { Link } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { Segments } from '../../components/segments.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { are, count, number } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'
import { useCopy, usePlan } from '../../work/work.tsx'
import { NewerVersion } from './palette/newer-version.tsx'
import type { Suggested } from './suggestion-troubles.ts'
import { TakeSuggestions } from './take-suggestions.tsx'
import { ToleranceSlider } from './tolerance-slider.tsx'

/** Which clusters are listed. */
export type Only = 'all' | 'open' | 'suggested'

interface MappingHeadProps {
  readonly rows: readonly Row[]
  readonly offered: readonly Suggested[]
  /** What is sought. */
  readonly typed: string
  onType(typed: string): void
  readonly only: Only
  onOnly(only: Only): void
}

/** How far the mapping is, and which clusters are listed. Keys that move in the list draw none of it anew. */
export const MappingHead = memo(function MappingHead({ rows, offered, typed, onType, only, onOnly }: MappingHeadProps) {
  const { site, colors } = useCopy()
  const { roles, newerPalette } = usePlan()
  const open = rows.filter((row) => row.open > 0).length
  const jobless = roles.filter(isJobOpen).length
  return (
    <>
      <StageHead
        title="Mapping"
        sentence={`${count(rows.length, 'cluster stands', 'clusters stand')} for ${count(colors, 'colour')}. ${number(rows.length - open)} ${are(rows.length - open)} decided, ${number(open)} ${are(open)} open.`}
      >
        {open === 0 && rows.length > 0 ? (
          <ActButton main asChild>
            <Link to={`/sites/${site.id}/look`}>Nothing is open: look at the pages</Link>
          </ActButton>
        ) : null}
        {roles.length > 0 ? <TakeSuggestions offered={offered} /> : null}
        {jobless > 0 ? (
          <Link to={`/sites/${site.id}/mapping/palette`}>Say what {count(jobless, 'role is', 'roles are')} for</Link>
        ) : null}
        <Input
          type="search"
          aria-label="Find a colour or a text among the clusters"
          placeholder="blue, #1d5f9e, .bar …"
          value={typed}
          onChange={(event) => onType(event.target.value)}
          w="170px"
          bg="sheet"
        />
        <Segments<Only>
          label="Clusters in the list"
          segments={[
            { value: 'all', text: 'all' },
            { value: 'open', text: `${number(open)} open` },
            ...(offered.length > 0 || only === 'suggested'
              ? [{ value: 'suggested' as const, text: `${number(offered.length)} with a suggestion` }]
              : []),
          ]}
          value={only}
          height={26}
          onChoose={onOnly}
        />
        <ToleranceSlider />
      </StageHead>
      {newerPalette === null ? null : (
        <Box mb="3">
          <NewerVersion />
        </Box>
      )}
    </>
  )
})
