import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import type { RecordedEvent } from '@undo-ink/contracts'
import type { Decision } from '@undo-ink/core'
import { ActButton } from '../components/act-button.tsx'
import { count, time } from '../components/words.ts'
import { eventText, type Made, madeBy } from '../work/event-words.ts'
import { TakeBackList } from '../work/take-back-list.tsx'
import { usePlan } from '../work/work.tsx'

interface HistoryActProps {
  readonly recorded: RecordedEvent
  /** Ids of what holds of all that was ever made. */
  readonly holding: ReadonlySet<string>
}

/** One act of the history: what it made is taken back together, or each by itself. */
export function HistoryAct({ recorded: { seq, at, event }, holding }: HistoryActProps) {
  const { roles, state, store } = usePlan()
  const made = madeBy(event, roles)
  const held = made.filter(({ id }) => holding.has(id))
  return (
    <Box as="li" px="5" py="2" borderBottomWidth="1px">
      <Flex gap="3" align="center">
        <Box flex="1" minW="0">
          <Text fontSize="13px">{eventText(event, roles, state.points)}</Text>
          <Text fontSize="12px" color="soft">
            {time(at)}
            {made.length > 0 && held.length === 0 ? ' · no longer holds' : ''}
            {held.length > 0 && held.length < made.length ? ` · ${held.length} of ${made.length} still hold` : ''}
            {followersText(held, state.decisions)}
          </Text>
        </Box>
        {event.kind === 'point' ? (
          <ActButton onClick={() => store.act({ kind: 'return', to: seq - 1 })}>Return to it</ActButton>
        ) : null}
        {held.length > 0 ? (
          <ActButton onClick={() => store.act({ kind: 'take-back', decisions: held.map(({ id }) => id) })}>
            {held.length > 1 ? `Take back ${held.length}` : 'Take back'}
          </ActButton>
        ) : null}
      </Flex>
      {made.length > 1 ? (
        <chakra.details fontSize="13px">
          <chakra.summary cursor="pointer" w="max-content">
            each by itself
          </chakra.summary>
          <TakeBackList made={made} holds={(id) => holding.has(id)} pl="4" />
        </chakra.details>
      ) : null}
    </Box>
  )
}

/** What would be open if some decisions were taken back: all that follows a color that they alone decide; empty: nothing. */
function followersText(held: readonly Made[], decisions: readonly Decision[]): string {
  const isHeld = ({ id }: Decision) => held.some((each) => each.id === id)
  const own = new Set(
    decisions.filter((each) => isHeld(each) && each.to.kind !== 'keep').flatMap(({ target }) => target.colors),
  )
  const others = decisions.filter((each) => !isHeld(each))
  const decidedElse = new Set(others.flatMap(({ target }) => target.colors))
  const followers = others.filter(({ to }) => to.kind === 'follow' && own.has(to.lead) && !decidedElse.has(to.lead))
  return followers.length === 0
    ? ''
    : ` · ${count(followers.length, 'decision follows', 'decisions follow')} it and would be open`
}
