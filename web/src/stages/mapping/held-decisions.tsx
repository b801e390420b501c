import { Box, Text } from '@chakra-ui/react'
import { decisionText } from '../../work/decision-words.ts'
import type { Row } from '../../work/standing.ts'
import { TakeBackList } from '../../work/take-back-list.tsx'
import { usePlan } from '../../work/work.tsx'
import { decisionsOf } from './deciding.ts'

/** The decisions that hold for a row, where they are several or some are limited: each can be taken back by itself. */
export function HeldDecisions({ row }: { row: Row }) {
  const { state, roles } = usePlan()
  const held = decisionsOf(row, state)
  const isPlain = held.length < 2 && held.every(({ target }) => target.use === undefined && target.scope === undefined)
  if (isPlain) return null
  return (
    <Box fontSize="13px">
      <Text color="soft">Decided here; the narrower holds, else the later</Text>
      <TakeBackList made={held.map((each) => ({ id: each.id, text: decisionText(each, roles) }))} />
    </Box>
  )
}
