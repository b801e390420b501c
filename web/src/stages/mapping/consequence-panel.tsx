import { Box, Flex, Text } from '@chakra-ui/react'
import type { Becoming } from '@undo-ink/core'
import { useMemo } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { count, number } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'
import { useWork } from '../../work/work.tsx'
import { ByHand } from './by-hand.tsx'
import { consequenceOf, type PairChange } from './consequence.ts'
import { decisionOf } from './deciding.ts'
import { Family } from './family.tsx'
import { HeldDecisions } from './held-decisions.tsx'
import { Otherwise } from './otherwise.tsx'
import { Warnings } from './warnings.tsx'

interface ConsequencePanelProps {
  readonly row: Row | null
  /** What is being considered; null: what holds now. */
  readonly tried: Becoming | null
  onGive(row: Row, to: Becoming): void
  onLeaveOpen(row: Row): void
  /** Opens what decides about some of its places only. */
  onScope(row: Row): void
}

/** What the selected row reaches, and what would become of it. */
export function ConsequencePanel({ row, tried, onGive, onLeaveOpen, onScope }: ConsequencePanelProps) {
  const { places, state, roles, sitePages } = useWork()
  const held = row?.shares.length === 1 ? row.shares[0] : null
  const to: Becoming =
    tried ?? (held?.kind === 'role' && held.role ? { kind: 'role', role: held.role.id } : { kind: 'keep' })
  const role = to.kind === 'role' ? roles.find(({ id }) => id === to.role) : null
  const toRole = to.kind === 'role' ? to.role : null
  const consequence = useMemo(
    () =>
      row &&
      consequenceOf(
        decisionOf(row, toRole === null ? { kind: 'keep' } : { kind: 'role', role: toRole }, 'trial'),
        places,
        { decisions: state.decisions, roles, pages: sitePages.pages },
      ),
    [row, toRole, places, state.decisions, roles, sitePages],
  )
  if (!row || !consequence) return null
  const pair = consequence.vanishing[0] ?? consequence.worst
  return (
    <Sheet
      as="section"
      aria-label="Consequence"
      flex={{ base: 'none', lg: '0 0 290px' }}
      p="4"
      display="flex"
      flexDirection="column"
      gap="2"
      overflow="auto"
      maxH="100%"
    >
      <Text fontWeight="600" aria-live="polite">
        {role ? (
          <>
            {tried ? 'If this becomes ' : 'This is '}
            <u>{role.name}</u>
          </>
        ) : (
          'What this reaches'
        )}
      </Text>
      <Box as="dl" fontSize="13px">
        <Figure name="places" value={number(consequence.places)} />
        <Figure name="subjects" value={number(consequence.subjects)} />
        <Figure name="files" value={number(consequence.files.length)} />
        <Figure name="pages" value={`${number(consequence.pages)} of ${number(sitePages.pages.length)}`} />
        <Figure name="in states other than rest" value={number(consequence.inStates)} />
      </Box>
      <HeldDecisions row={row} />
      {role ? <Warnings consequence={consequence} /> : null}
      {pair && role ? <Pair pair={pair} /> : null}
      <Box fontSize="13px">
        <Text color="soft">Where</Text>
        {consequence.files.slice(0, 3).map(([path, times]) => (
          <Flex key={path} fontFamily="mono" gap="2">
            <Text truncate title={path}>
              {path}
            </Text>
            <Text>{number(times)}</Text>
          </Flex>
        ))}
        {consequence.files.length > 3 ? <Text>and {count(consequence.files.length - 3, 'more file')}</Text> : null}
      </Box>
      <Flex direction="column" gap="2" mt="auto">
        <Family row={row} />
        <Flex gap="2">
          <Otherwise row={row} onGive={onGive} />
          {row.use === null ? <ByHand row={row} /> : null}
        </Flex>
        <ActButton justifyContent="space-between" hotkey="S" onClick={() => onScope(row)}>
          Only some places …
        </ActButton>
        <Flex gap="2">
          <ActButton
            flex="1"
            px="2"
            justifyContent="space-between"
            hotkey="K"
            onClick={() => onGive(row, { kind: 'keep' })}
          >
            Keep it
          </ActButton>
          <ActButton
            flex="1"
            px="2"
            justifyContent="space-between"
            hotkey="O"
            disabled={row.open === row.count}
            onClick={() => onLeaveOpen(row)}
          >
            Leave it open
          </ActButton>
        </Flex>
      </Flex>
    </Sheet>
  )
}

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
