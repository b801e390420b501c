import { Flex } from '@chakra-ui/react'
import type { Role } from '@undo-ink/core'
import { ActButton } from '../../../components/act-button.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { usePlan } from '../../../work/work.tsx'
import { stateRoles } from './proposals.ts'

/** The act that adds roles for the states of one. */
export function StateProposal({ role, onDone }: { role: Role; onDone(): void }) {
  const { roles, store } = usePlan()
  const proposed = stateRoles(role, roles, () => crypto.randomUUID())
  if (proposed.length === 0) return null
  return (
    <Flex gap="2" mt="2" align="center" fontSize="13px" wrap="wrap">
      <ActButton
        h="28px"
        onClick={() => {
          store.changePalette([...roles, ...proposed])
          onDone()
        }}
      >
        Add its states
      </ActButton>
      {proposed.map(({ id, name, color }) => (
        <Flex key={id} align="center" gap="1">
          <Swatch color={color} size="16px" /> {name}
        </Flex>
      ))}
    </Flex>
  )
}
