import { chakra, Flex, Input } from '@chakra-ui/react'
import { readRoleColor } from '@undo-ink/core'
import type { FieldErrors, UseFormRegister } from 'react-hook-form'
import { CodeInput } from '../../../components/code-input.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { TextField } from '../../../components/text-field.tsx'
import type { RoleFormValues } from './role-form-values.ts'

const VALUES = [
  ['dark', 'In a dark scheme'],
  ['print', 'In print'],
] as const

interface RoleExtrasProps {
  readonly register: UseFormRegister<RoleFormValues>
  readonly problems: FieldErrors<RoleFormValues>
  readonly values: Pick<RoleFormValues, 'dark' | 'print'>
  /** Whether there is something to see. */
  readonly startsOpen: boolean
}

/** What a role may have beside its color: words, and values in other schemes. */
export function RoleExtras({ register, problems, values, startsOpen }: RoleExtrasProps) {
  const hasProblem = Boolean(problems.dark ?? problems.print ?? problems.description)
  return (
    <chakra.details open={startsOpen || hasProblem || undefined} mt="2" fontSize="13px">
      <chakra.summary cursor="pointer">Description, dark scheme, print</chakra.summary>
      <Flex gap="3" wrap="wrap" mt="2" align="flex-start">
        <TextField label="Description" width="236px" problem={problems.description?.message}>
          <Input
            {...register('description')}
            size="sm"
            autoComplete="off"
            placeholder="when it is used, and when not"
          />
        </TextField>
        {VALUES.map(([key, label]) => (
          <TextField key={key} label={label} width="160px" problem={problems[key]?.message}>
            <Flex gap="2" w="100%" align="center">
              <CodeInput {...register(key)} size="sm" placeholder="the same" />
              <Swatch color={typeof readRoleColor(values[key]) === 'string' ? null : values[key]} size="30px" />
            </Flex>
          </TextField>
        ))}
      </Flex>
    </chakra.details>
  )
}
