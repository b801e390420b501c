import { Box, Flex } from '@chakra-ui/react'
import { familyOf } from '@undo-ink/core'
import { ActButton } from '../../components/act-button.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'
import { useWork } from '../../work/work.tsx'
import { decisionOf } from './deciding.ts'

/** The act that lets all open shades of a decided colour keep their place to it, as one. */
export function Family({ row }: { row: Row }) {
  const { rows, store } = useWork()
  const { lead } = row.cluster
  const open = rows.filter((other) => other.open === other.count)
  const colors = open.map(({ cluster }) => cluster.lead)
  const family = row.use === null && row.leads ? familyOf(lead, colors) : []
  if (family.length === 0) return null
  const follow = () =>
    store.act({
      kind: 'decide',
      decisions: open
        .filter(({ cluster }) => family.includes(cluster.lead))
        .map((other) => decisionOf(other, { kind: 'follow', lead }, crypto.randomUUID())),
    })
  return (
    <Box>
      <Flex gap="1px" mb="1" overflow="hidden" aria-hidden>
        {family.map((color) => (
          <Swatch key={color} color={color} size="100%" maxW="24px" h="12px" borderRadius="0" />
        ))}
      </Flex>
      <ActButton w="100%" onClick={follow}>
        Let its {count(family.length, 'open shade')} follow
      </ActButton>
    </Box>
  )
}
