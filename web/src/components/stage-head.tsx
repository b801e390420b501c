import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { memo, type ReactNode, useEffect, useRef } from 'react'

interface StageHeadProps {
  readonly title: string
  /** One sentence with its numbers. */
  readonly sentence: ReactNode
  readonly children?: ReactNode
}

/** Whether a screen has been shown since the page was loaded: the first is begun at the top. */
let hasBegun = false

/** Title, sentence and main acts of a stage. Where what had the focus went with the screen before, the title takes it: whoever goes on by keys begins there. */
export const StageHead = memo(function StageHead({ title, sentence, children }: StageHeadProps) {
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    if (hasBegun && document.activeElement === document.body) heading.current?.focus({ preventScroll: true })
    hasBegun = true
  }, [])
  useEffect(() => {
    document.title = `${title} – Undo Ink`
  }, [title])
  return (
    <Flex gap="4" align="flex-end" justify="space-between" wrap="wrap" mb="3" minH="44px">
      <Box flex="1 1 320px" minW="0">
        <Heading ref={heading} as="h1" tabIndex={-1} w="fit-content" fontSize="22px" lineHeight="28px" fontWeight="600">
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
