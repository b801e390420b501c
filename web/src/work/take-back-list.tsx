import { Box, type BoxProps, chakra, Flex, Text } from '@chakra-ui/react'
import type { Made } from './event-words.ts'
import { usePlan } from './work.tsx'

interface TakeBackListProps extends BoxProps {
  readonly made: readonly Made[]
  /** Whether one holds still; all do if left out. */
  holds?(id: string): boolean
}

/** What acts made, each to be taken back by itself. */
export function TakeBackList({ made, holds = () => true, ...box }: TakeBackListProps) {
  const { store } = usePlan()
  return (
    <Box as="ul" listStyleType="none" {...box}>
      {made.map(({ id, text }) => (
        <Flex as="li" key={id} gap="2" align="baseline" justify="space-between" py="1px">
          <Text minW="0" lineClamp={2} title={text}>
            {text}
          </Text>
          {holds(id) ? (
            <chakra.button
              type="button"
              flex="none"
              minH="24px"
              textDecoration="underline"
              cursor="pointer"
              aria-label={`Take back: ${text}`}
              onClick={() => store.act({ kind: 'take-back', decisions: [id] })}
            >
              take back
            </chakra.button>
          ) : (
            <Text flex="none" color="soft">
              no longer holds
            </Text>
          )}
        </Flex>
      ))}
    </Box>
  )
}
