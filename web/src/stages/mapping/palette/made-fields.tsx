import { chakra, Flex, Text } from '@chakra-ui/react'
import type { Made, Role } from '@undo-ink/core'
import { Choice } from '../../../components/choice.tsx'
import { usePlan } from '../../../work/work.tsx'
import { HueRelations } from './hue-relations.tsx'

const SLIDERS = [
  { key: 'lighter', label: 'darker – lighter', min: -0.5, max: 0.5, step: 0.01 },
  { key: 'stronger', label: 'softer – stronger', min: 0, max: 2, step: 0.05 },
  { key: 'turned', label: 'hue turned', min: -180, max: 180, step: 5 },
] as const satisfies readonly { key: keyof Made; label: string; min: number; max: number; step: number }[]

interface MadeFieldsProps {
  /** The role that is changed; null: a new one. */
  readonly role: Role | null
  /** null: a color of its own. */
  readonly made: Made | null
  onChange(made: Made | null): void
}

/** Whether a role has a color of its own, or is made from another's, and how. */
export function MadeFields({ role, made, onChange }: MadeFieldsProps) {
  const { roles } = usePlan()
  const bases = roles.filter((other) => role === null || (other.id !== role.id && other.made?.from !== role.id))
  if (bases.length === 0) return null
  return (
    <>
      <Flex gap="4" wrap="wrap" mt="2" align="center" fontSize="13px">
        <Choice
          label="Its colour is"
          value={made?.from ?? ''}
          options={[['', 'its own'], ...bases.map(({ id, name }) => [id, `made from ${name}`] as const)]}
          onChoose={(from) => onChange(from === '' ? null : { lighter: 0, stronger: 1, turned: 0, ...made, from })}
        />
        {made === null
          ? null
          : SLIDERS.map(({ key, label, ...range }) => (
              <Flex as="label" key={key} direction="column" fontSize="12px">
                <Text as="span" color="soft">
                  {label} {made[key]}
                </Text>
                <chakra.input
                  type="range"
                  {...range}
                  value={made[key]}
                  onChange={(event) => onChange({ ...made, [key]: Number(event.target.value) })}
                  w="96px"
                  accentColor="ink"
                />
              </Flex>
            ))}
      </Flex>
      {made === null ? null : <HueRelations made={made} onChoose={(turned) => onChange({ ...made, turned })} />}
    </>
  )
}
