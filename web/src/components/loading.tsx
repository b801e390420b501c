import { Flex, Spinner, Text } from '@chakra-ui/react'

/** Something is on its way. */
export function Loading({ says = 'Loading …' }: { says?: string }) {
  return (
    <Flex align="center" gap="3" p="6" color="soft" role="status">
      <Spinner size="sm" /> <Text>{says}</Text>
    </Flex>
  )
}
