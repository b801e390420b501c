import { Flex } from '@chakra-ui/react'
import type { Becoming, Role } from '@undo-ink/core'
import { Choice } from '../../../components/choice.tsx'
import { Swatch } from '../../../components/swatch.tsx'

interface BecomingChoiceProps {
  readonly to: Becoming
  readonly roles: readonly Role[]
  onChoose(to: Becoming): void
}

/** What places become: a role by its name, kept, or their parent's colour. */
export function BecomingChoice({ to, roles, onChoose }: BecomingChoiceProps) {
  const role = to.kind === 'role' ? roles.find(({ id }) => id === to.role) : null
  return (
    <Flex align="center" gap="2">
      <Choice
        label="becomes"
        value={to.kind === 'role' ? `role ${to.role}` : to.kind}
        options={[
          ...roles.map(({ id, name }) => [`role ${id}`, name] as const),
          ['keep', 'kept as it is'],
          ['inherit', 'the colour of its parent'],
        ]}
        onChoose={(value) =>
          onChoose(
            value === 'keep' || value === 'inherit'
              ? { kind: value }
              : { kind: 'role', role: value.slice('role '.length) },
          )
        }
      />
      {role ? <Swatch color={role.color} size="22px" /> : null}
    </Flex>
  )
}
