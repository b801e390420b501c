import { Box, chakra, Field } from '@chakra-ui/react'
import type { ReactNode } from 'react'

interface TextFieldProps {
  readonly label: string
  readonly problem: string | undefined
  readonly width?: string
  readonly children: ReactNode
}

/** A field of a form with its label, and what is wrong with it. */
export function TextField({ label, problem, width = '160px', children }: TextFieldProps) {
  return (
    <Field.Root invalid={problem !== undefined} w={width}>
      <Field.Label fontSize="13px">{label}</Field.Label>
      {children}
      {problem ? (
        <Field.ErrorText fontWeight="600">
          <chakra.span aria-hidden>▲</chakra.span> <Box as="span">{problem}</Box>
        </Field.ErrorText>
      ) : null}
    </Field.Root>
  )
}
