import { Flex } from '@chakra-ui/react'
import { HUE_RELATIONS, type Made, madeColor, readRoleColor, toHex } from '@undo-ink/core'
import { Segments } from '../../../components/segments.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { usePlan } from '../../../work/work.tsx'

/** The hues that stand in a relation to a base, each beside it as it would be, so that one is taken by what it looks like. */
export function HueRelations({ made, onChoose }: { made: Made; onChoose(turned: number): void }) {
  const { roles } = usePlan()
  const base = readRoleColor(roles.find(({ id }) => id === made.from)?.color ?? '')
  if (typeof base === 'string') return null
  const segments = HUE_RELATIONS.map(({ name, turned }) => ({
    value: String(turned),
    text: (
      <Flex as="span" gap="1.5" align="center">
        <Swatch color={toHex(madeColor(base, { ...made, turned }))} size="16px" /> {name}
      </Flex>
    ),
  }))
  return (
    <Flex mt="2">
      <Segments
        label="Hue in relation to its base"
        says="hue"
        segments={segments}
        value={String(made.turned)}
        height={28}
        onChoose={(turned) => onChoose(Number(turned))}
      />
    </Flex>
  )
}
