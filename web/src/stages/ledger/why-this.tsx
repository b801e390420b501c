import { Box, Flex, Text } from '@chakra-ui/react'
import { UNWRITABLE_WORDS } from '@undo-ink/contracts'
import type { Reached } from '@undo-ink/core'
import { useStore } from 'zustand'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { time } from '../../components/words.ts'
import { alike, confirming } from '../../work/confirming.ts'
import { decisionText, partText } from '../../work/decision-words.ts'
import type { PlaceOf } from '../../work/places.ts'
import { shownEvents } from '../../work/plan-store.ts'
import { becomesText, paintKeyOf } from '../../work/standing.ts'
import { useCopy, usePlan } from '../../work/work.tsx'

/** What becomes of one place, and why: every decision about its color, which of them holds, and why the others do not. */
export function WhyThis({ place }: { place: PlaceOf }) {
  const { places } = useCopy()
  const { resolver, store } = usePlan()
  const outcome = resolver.outcome(place)
  const reached = resolver.reached(place)
  const paint = paintKeyOf(outcome)
  if (outcome.kind === 'possible') {
    const same = alike(place, places).filter((each) => resolver.outcome(each).kind === 'possible')
    return (
      <Flex gap="2" mt="2" align="center" wrap="wrap" fontSize="13px">
        <Text flex="1 1 160px">Only possibly a colour: it takes nothing until you confirm it.</Text>
        <ActButton h="26px" px="2" onClick={() => store.act(confirming([place]))}>
          It is a colour
        </ActButton>
        {same.length > 1 ? (
          <ActButton h="26px" px="2" onClick={() => store.act(confirming(same))}>
            All {same.length} alike
          </ActButton>
        ) : null}
      </Flex>
    )
  }
  return (
    <Flex gap="2" mt="2" align="center" fontSize="13px">
      {paint ? <Swatch color={paint} size="20px" /> : null}
      <Text minW="0" lineClamp={2}>
        becomes: <b>{becomesText(outcome)}</b>
        {resolver.pieces(place).length > 0 ? ', in part otherwise' : ''}
      </Text>
      {reached.length === 0 ? null : (
        <Box ml="auto" flex="none">
          <PopupButton label="Why" width="330px">
            {() => <Reasons place={place} reached={reached} />}
          </PopupButton>
        </Box>
      )}
    </Flex>
  )
}

function Reasons({ place, reached }: { place: PlaceOf; reached: readonly Reached[] }) {
  const { roles, store } = usePlan()
  const events = shownEvents(useStore(store))
  const whole = reached.findLastIndex(({ reach }) => reach.kind === 'all')
  const madeAt = (id: string) =>
    events.find(({ event }) => event.kind === 'decide' && event.decisions.some((each) => each.id === id))?.at
  return (
    <Box as="ol" listStyleType="none" maxH="320px" overflow="auto" fontSize="13px">
      {reached
        .map((each, i) => ({ ...each, says: standingText(each, i, whole, place) }))
        .toReversed()
        .map(({ decision, says }) => (
          <Box as="li" key={decision.id} py="1.5" borderBottomWidth="1px">
            <Text>{decisionText(decision, roles)}</Text>
            <Text fontSize="12px" color="soft">
              {says}
              {madeAt(decision.id) ? `, ${time(madeAt(decision.id) ?? '')}` : ''}
            </Text>
          </Box>
        ))}
    </Box>
  )
}

/** Why a decision holds for a place, or does not. @param at its place in the order in which they win @param whole of the last that takes all of it */
function standingText({ reach }: Reached, at: number, whole: number, { selector }: PlaceOf): string {
  switch (reach.kind) {
    case 'all':
      return at === whole ? 'holds here' : 'takes it, but a narrower or later one holds'
    case 'part':
      return at > whole
        ? `holds for a part: ${partText(reach.part, selector)}`
        : `takes a part (${partText(reach.part, selector)}), but a narrower or later one holds for all`
    case 'none':
      return 'does not reach this place'
    case 'unwritable':
      return `cannot be written here: ${UNWRITABLE_WORDS[reach.why]}`
  }
}
