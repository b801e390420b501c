import { Box, Flex, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'

interface NoteProps {
  /** ▲ something wrong, ◆ something to know. */
  readonly shape: '▲' | '◆'
  readonly title: string
  readonly children?: ReactNode
}

/** Something that needs a look, told by shape and word. */
export function Note({ shape, title, children }: NoteProps) {
  return (
    <Box borderWidth="1px" borderColor="ink" borderLeftWidth="4px" borderRadius="2px" bg="sheet" px="3" py="2">
      <Flex gap="2" align="baseline" fontWeight="600" fontSize="13px">
        <span aria-hidden>{shape}</span>
        <Text>{title}</Text>
      </Flex>
      {children ? (
        <Box fontSize="13px" color="soft" mt="1">
          {children}
        </Box>
      ) : null}
    </Box>
  )
}
