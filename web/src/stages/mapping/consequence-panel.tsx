import { Box, Flex, Text } from '@chakra-ui/react'
import type { Becoming } from '@undo-ink/core'
import { useMemo } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count, number } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'
import { useWork } from '../../work/work.tsx'
import { ByHand } from './by-hand.tsx'
import type { Acts } from './cluster-list.tsx'
import { consequenceOf, type PairChange } from './consequence.ts'
import { isKept, trialOf } from './deciding.ts'
import { Family } from './family.tsx'
import { HeldDecisions } from './held-decisions.tsx'
import { Otherwise } from './otherwise.tsx'
import { Warnings } from './warnings.tsx'

interface ConsequencePanelProps {
  /** What is selected: acts are about all of them. */
  readonly rows: readonly Row[]
  /** What is being considered; null: what holds now. */
  readonly tried: Becoming | null
  readonly acts: Acts
  onUnmark(): void
}

/** What the selected rows reach, and what would become of them. */
export function ConsequencePanel({ rows, tried, acts, onUnmark }: ConsequencePanelProps) {
  const { places, state, roles, sitePages } = useWork()
  const row = rows.length === 1 ? (rows[0] ?? null) : null
  const held = row?.shares.length === 1 ? row.shares[0] : null
  const to: Becoming =
    tried ?? (held?.kind === 'role' && held.role ? { kind: 'role', role: held.role.id } : { kind: 'keep' })
  const role = to.kind === 'role' ? roles.find(({ id }) => id === to.role) : null
  const toRole = to.kind === 'role' ? to.role : null
  const consequence = useMemo(() => {
    const trial = trialOf(rows, toRole === null ? { kind: 'keep' } : { kind: 'role', role: toRole })
    return trial && consequenceOf(trial, places, { decisions: state.decisions, roles, pages: sitePages.pages })
  }, [rows, toRole, places, state.decisions, roles, sitePages])
  if (!consequence) return null
  const pair = consequence.vanishing[0] ?? consequence.worst
  return (
    <Sheet
      as="section"
      aria-label="Consequence"
      flex={{ base: 'none', lg: '0 0 290px' }}
      display="flex"
      flexDirection="column"
      overflow="hidden"
      maxH="100%"
    >
      <Flex
        direction="column"
        gap="2"
        flex="1"
        minH="0"
        overflow="auto"
        p="4"
        pb="2"
        tabIndex={0}
        role="group"
        aria-label="What it reaches"
      >
        <Text fontWeight="600" aria-live="polite">
          {role ? (
            <>
              {tried ? `If ${row ? 'this becomes' : `these ${rows.length} become`} ` : 'This is '}
              <u>{role.name}</u>
            </>
          ) : row ? (
            'What this reaches'
          ) : (
            `What these ${rows.length} reach`
          )}
        </Text>
        <Box as="dl" fontSize="13px">
          <Figure name="places" value={number(consequence.places)} />
          <Figure name="subjects" value={number(consequence.subjects)} />
          <Figure name="files" value={number(consequence.files.length)} />
          <Figure name="pages" value={`${number(consequence.pages)} of ${number(sitePages.pages.length)}`} />
          <Figure name="in states other than rest" value={number(consequence.inStates)} />
        </Box>
        {row ? <HeldDecisions row={row} /> : <Marked rows={rows} onUnmark={onUnmark} />}
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
      </Flex>
      <Flex direction="column" gap="2" flex="none" px="4" py="3" borderTop="1px solid" borderColor="edge">
        {row ? (
          <>
            <Family row={row} />
            <Flex gap="2">
              <Otherwise row={row} onGive={acts.give} />
              {row.use === null ? <ByHand row={row} /> : null}
            </Flex>
            <ActButton justifyContent="space-between" hotkey="S" onClick={() => acts.scope(row)}>
              Only some places …
            </ActButton>
          </>
        ) : null}
        <Flex gap="2">
          <ActButton
            flex="1"
            px="2"
            justifyContent="space-between"
            hotkey="K"
            onClick={() => acts.give({ kind: 'keep' })}
          >
            Keep it
          </ActButton>
          <ActButton
            flex="1"
            px="2"
            justifyContent="space-between"
            hotkey="O"
            disabled={rows.every((each) => each.open === each.count)}
            onClick={acts.leaveOpen}
          >
            Leave it open
          </ActButton>
        </Flex>
      </Flex>
    </Sheet>
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
