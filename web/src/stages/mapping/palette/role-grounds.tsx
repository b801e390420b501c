import { chakra, Flex } from '@chakra-ui/react'
import { groundsOf, type Role, servesOf } from '@undo-ink/core'
import { Swatch } from '../../../components/swatch.tsx'
import { usePlan } from '../../../work/work.tsx'

interface RoleGroundsProps {
  readonly role: Role
  /** null: what its name says. */
  readonly on: readonly string[] | null
  onChoose(on: readonly string[]): void
}

/** The grounds that a text or a line stands on, by which it is judged. */
export function RoleGrounds({ role, on, onChoose }: RoleGroundsProps) {
  const { roles } = usePlan()
  const grounds = roles.filter((other) => other.id !== role.id && servesOf(other) === 'ground')
  const chosen = on ?? groundsOf({ name: role.name }, roles).map(({ id }) => id)
  return (
    <Flex as="fieldset" gap="3" wrap="wrap" mt="2" fontSize="13px" align="center">
      <chakra.legend float="left" mr="2" color="soft">
        Stands on
      </chakra.legend>
      {grounds.map(({ id, name, color }) => (
        <Flex as="label" key={id} gap="1.5" align="center" cursor="pointer">
          <input
            type="checkbox"
            checked={chosen.includes(id)}
            onChange={() => onChoose(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id])}
          />
          <Swatch color={color} size="14px" /> {name}
        </Flex>
      ))}
    </Flex>
  )
}
