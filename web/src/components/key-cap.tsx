import { chakra } from '@chakra-ui/react'

/** The key that does what stands beside it. */
export function KeyCap({ children, inverse = false }: { children: string; inverse?: boolean }) {
  return (
    <chakra.kbd
      fontFamily="mono"
      fontSize="11px"
      lineHeight="18px"
      minW="20px"
      px="1"
      textAlign="center"
      borderWidth="1px"
      borderColor="strong"
      borderRadius="3px"
      bg={inverse ? 'ink' : 'sheet'}
      color={inverse ? 'sheet' : 'soft'}
      aria-hidden
    >
      {children}
    </chakra.kbd>
  )
}
