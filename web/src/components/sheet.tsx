import { Box } from '@chakra-ui/react'
import type { ComponentProps } from 'react'

/** A white panel on the paper. */
export function Sheet(props: ComponentProps<typeof Box>) {
  return <Box bg="sheet" border="1px solid" borderColor="edge" borderRadius="sheet" minW="0" {...props} />
}
