import { Box } from '@chakra-ui/react'
import type { ComponentProps } from 'react'

/** A white panel on the paper. */
export function Sheet(props: ComponentProps<typeof Box>) {
  return <Box bg="sheet" borderWidth="1px" borderRadius="sheet" minW="0" {...props} />
}
