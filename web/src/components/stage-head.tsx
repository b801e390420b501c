import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { memo, type ReactNode, useEffect } from 'react'

interface StageHeadProps {
  readonly title: string
  /** One sentence with its numbers. */
  readonly sentence: ReactNode
  readonly children?: ReactNode
}

/** Title, sentence and main acts of a stage. */
export const StageHead = memo(function StageHead({ title, sentence, children }: StageHeadProps) {
  useEffect(() => {
    document.title = `${title} – Undo Ink`
  }, [title])
  return (
    <Flex gap="4" align="flex-end" justify="space-between" wrap="wrap" mb="3" minH="44px">
      <Box flex="1 1 320px" minW="0">
        <Heading as="h1" fontSize="22px" lineHeight="28px" fontWeight="600">
          {title}
        </Heading>
        <Text color="soft" fontSize="13px">
          {sentence}
        </Text>
      </Box>
      {children ? (
        <Flex gap="2" align="center" wrap="wrap">
          {children}
        </Flex>
      ) : null}
    </Flex>
  )
})
