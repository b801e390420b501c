import { Box, Flex, Text } from '@chakra-ui/react'
import { ActButton } from '../../components/act-button.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count, number, shownPath } from '../../components/words.ts'
import type { Consequence, PairChange } from '../../judging/consequence.ts'
import { Warnings } from '../../judging/warnings.tsx'
import type { Row } from '../../work/standing.ts'
import { useCopy } from '../../work/work.tsx'
import { isKept } from './deciding.ts'
import { HeldDecisions } from './held-decisions.tsx'
import { LeftOutColors } from './left-out-colors.tsx'
import { PossiblePlaces } from './possible-places.tsx'

interface ConsequencePanelProps {
  /** What is selected: acts are about all of them. */
  readonly rows: readonly Row[]
  readonly consequence: Consequence
  /** Whether it is of what is selected and tried now. */
  readonly isCurrent: boolean
  /** Whether a role is meant, or tried, by which pairs can be judged. */
  readonly isToRole: boolean
  onUnmark(): void
}

/** What the selected rows reach, and what would become of it. */
export function ConsequencePanel({ rows, consequence, isCurrent, isToRole, onUnmark }: ConsequencePanelProps) {
  const { sitePages } = useCopy()
  const row = rows.length === 1 ? (rows[0] ?? null) : null
  const pair = consequence.vanishing[0] ?? consequence.worst
  return (
    <>
      <Box as="dl" fontSize="13px" aria-busy={!isCurrent}>
        <Figure name="places" value={number(consequence.places)} />
        {consequence.throughVariables > 0 ? (
          <Figure name="uses through variables" value={number(consequence.throughVariables)} />
        ) : null}
        <Figure name="subjects" value={number(consequence.subjects)} />
        <Figure name="files" value={number(consequence.files.length)} />
        <Figure name="pages" value={`${number(consequence.pages)} of ${number(sitePages.pages.length)}`} />
        <Figure name="in states other than rest" value={number(consequence.inStates)} />
      </Box>
      {consequence.possible > 0 ? <PossiblePlaces rows={rows} number={consequence.possible} /> : null}
      <LeftOutColors rows={rows} />
      {row ? <HeldDecisions row={row} /> : <Marked rows={rows} onUnmark={onUnmark} />}
      {isToRole ? <Warnings judgement={consequence} isCurrent={isCurrent} /> : null}
      {pair && isToRole ? <Pair pair={pair} /> : null}
      <Box fontSize="13px">
        <Text color="soft">Where</Text>
        {consequence.files.slice(0, 3).map(([path, times]) => (
          <Flex key={path} fontFamily="mono" gap="2">
            <Text truncate title={shownPath(path)}>
              {shownPath(path)}
            </Text>
            <Text>{number(times)}</Text>
          </Flex>
        ))}
        {consequence.files.length > 3 ? <Text>and {count(consequence.files.length - 3, 'more file')}</Text> : null}
      </Box>
    </>
  )
}

/** Several rows that one act is about. */
function Marked({ rows, onUnmark }: { rows: readonly Row[]; onUnmark(): void }) {
  const kept = rows.filter(isKept).length
  return (
    <Box fontSize="13px">
      <Flex gap="1px" mb="1" aria-hidden>
        {rows.slice(0, MOST_SHOWN).map(({ key, cluster }) => (
          <Swatch key={key} color={cluster.lead} size="100%" maxW="24px" h="12px" borderRadius="0" />
        ))}
      </Flex>
      {kept > 0 ? <Text>{count(kept, 'kept row')} among them: held against what is decided of several.</Text> : null}
      <ActButton h="28px" onClick={onUnmark}>
        Take the marks off
      </ActButton>
    </Box>
  )
}

const MOST_SHOWN = 20

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <Flex justify="space-between" lineHeight="21px">
      <dt>{name}</dt>
      <Text as="dd" fontFamily="mono">
        {value}
      </Text>
    </Flex>
  )
}

/** The least readable pair of one rule that the decision changes, before and after. */
function Pair({ pair: { subject, before, after } }: { pair: PairChange }) {
  return (
    <Box fontSize="13px">
      <Text color="soft">Least readable pair, before and after</Text>
      <Text fontFamily="mono" fontSize="12px" truncate title={subject}>
        {subject}
      </Text>
      <Flex gap="2" mt="1">
        {[before, after].map(({ text, ground }, i) => (
          <Box
            key={i === 0 ? 'before' : 'after'}
            flex="1"
            px="2"
            py="1.5"
            borderRadius="2px"
            boxShadow="inset 0 0 0 1px rgb(128 128 128 / .45)"
            style={{ background: ground, color: text }}
          >
            <Text>Specimen</Text>
          </Box>
        ))}
      </Flex>
      <Flex gap="2" fontFamily="mono">
        {[before, after].map(({ ratio }, i) => (
          <Text key={i === 0 ? 'before' : 'after'} flex="1">
            {ratio.toFixed(2)} {ratio < 4.5 ? <b>low</b> : ''}
          </Text>
        ))}
      </Flex>
    </Box>
  )
}
