import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { Swatch } from '../../components/swatch.tsx'
import { number } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'

/** The members of a cluster, and, apart from them, the strengths in which it is written. */
export function Steps({ row: { cluster, alphas } }: { row: Row }) {
  const { lead, members } = cluster
  if (members.length < 2 && alphas.every((alpha) => alpha === 1)) return null
  const strengths = alphas.some((alpha) => alpha < 1) ? alphas : []
  return (
    <Flex gap="6px" mt="2px" h="8px" maxW="124px" overflow="hidden">
      {members.length > 1 ? (
        <Flex gap="1px" flex={members.length} minW="0" title={members.join(' ')}>
          {members.map((member) => (
            <Swatch key={member} color={member} size="100%" maxW="16px" h="8px" borderRadius="0" />
          ))}
        </Flex>
      ) : null}
      {strengths.length > 0 ? (
        <Flex gap="1px" flex={strengths.length} minW="0" title={`written at ${strengths.map(percent).join(', ')}`}>
          {strengths.map((alpha) => (
            <Swatch key={alpha} color={lead} alpha={alpha} size="100%" maxW="16px" h="8px" borderRadius="0" />
          ))}
        </Flex>
      ) : null}
    </Flex>
  )
}

function percent(alpha: number): string {
  return `${Math.round(alpha * 100)} %`
}

/** That a row is marked. */
export function Mark() {
  return (
    <chakra.span
      position="absolute"
      top="0"
      left="0"
      px="3px"
      fontSize="12px"
      lineHeight="16px"
      bg="ink"
      color="sheet"
      borderRadius="2px"
      aria-hidden
    >
      ✓
    </chakra.span>
  )
}

/** What a cluster is used for, most places first. */
export function Uses({ row }: { row: Row }) {
  const most = row.uses[0]?.[1] ?? 1
  const shown = row.uses.slice(0, 3)
  return (
    <Box fontSize="12px" color="soft">
      {shown.map(([use, times], i) => (
        <Flex key={use} align="center" gap="2" lineHeight="16px">
          <Text w="52px">{use}</Text>
          <Box h="5px" bg="strong" style={{ width: `${Math.max(3, (times / most) * 44)}px` }} aria-hidden />
          <Text whiteSpace="nowrap">
            {number(times)}
            {i === 2 && row.uses.length > 3 ? ` +${row.uses.length - 3}` : ''}
          </Text>
        </Flex>
      ))}
    </Box>
  )
}
