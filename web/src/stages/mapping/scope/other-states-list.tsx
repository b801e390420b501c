import { Box, Flex, Text } from '@chakra-ui/react'
import type { Role } from '@undo-ink/core'
import { Choice } from '../../../components/choice.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { keyOf, type OtherState } from './other-states.ts'

interface OtherStatesListProps {
  readonly states: readonly OtherState[]
  readonly roles: readonly Role[]
  /** Ids of roles by the keys of states. */
  readonly chosen: ReadonlyMap<string, string>
  onChoose(chosen: ReadonlyMap<string, string>): void
}

/** The other states of the same things, each with what it is to become: a button that changes keeps its pointed-at look, or is given a new one. */
export function OtherStatesList({ states, roles, chosen, onChoose }: OtherStatesListProps) {
  const choose = (key: string, role: string) => {
    const next = new Map(chosen)
    if (role === '') next.delete(key)
    else next.set(key, role)
    onChoose(next)
  }
  return (
    <Box fontSize="13px">
      <Text fontWeight="600" mb="1">
        Other states of the same things
      </Text>
      <Flex as="ul" direction="column" gap="1" listStyleType="none" maxH="92px" overflow="auto">
        {states.map((state) => (
          <Flex as="li" key={keyOf(state)} gap="2" align="center">
            <Swatch color={state.color} size="18px" borderRadius="0" />
            <Text flex="1" minW="0" truncate fontFamily="mono" fontSize="12px" title={state.selector}>
              {state.selector} {state.property}
            </Text>
            <Choice
              label="becomes"
              name={`${state.selector} ${state.property} becomes`}
              value={chosen.get(keyOf(state)) ?? ''}
              options={[['', 'what it is'], ...roles.map(({ id, name }) => [id, name] as const)]}
              onChoose={(role) => choose(keyOf(state), role)}
            />
          </Flex>
        ))}
      </Flex>
    </Box>
  )
}
