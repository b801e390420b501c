import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { decisionText } from '../../work/decision-words.ts'
import type { Row } from '../../work/standing.ts'
import { usePlan } from '../../work/work.tsx'
import { decisionsOf } from './deciding.ts'

/** The decisions that hold for a row, where they are several or some are limited: each can be taken back by itself. */
export function HeldDecisions({ row }: { row: Row }) {
  const { state, roles, store } = usePlan()
  const held = decisionsOf(row, state)
  const isPlain = held.length < 2 && held.every(({ target }) => target.use === undefined && target.scope === undefined)
  if (isPlain) return null
  return (
    <Box fontSize="13px">
      <Text color="soft">Decided here; the narrower holds, else the later</Text>
      <Box as="ul" listStyleType="none">
        {held.map((decision) => (
          <Flex as="li" key={decision.id} gap="2" align="baseline" justify="space-between" py="1px">
            <Text minW="0" lineClamp={2} title={decisionText(decision, roles)}>
              {decisionText(decision, roles)}
            </Text>
            <chakra.button
              type="button"
              flex="none"
              textDecoration="underline"
              cursor="pointer"
              aria-label={`Take back: ${decisionText(decision, roles)}`}
              onClick={() => store.act({ kind: 'take-back', decisions: [decision.id] })}
            >
              take back
            </chakra.button>
          </Flex>
        ))}
      </Box>
    </Box>
  )
}
