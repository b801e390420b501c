import { Input } from '@chakra-ui/react'
import type { ComponentProps } from 'react'

/** A field for what is written in code: colours, selectors, numbers. */
export function CodeInput(props: ComponentProps<typeof Input>) {
  return <Input fontFamily="mono" autoComplete="off" spellCheck={false} {...props} />
}
