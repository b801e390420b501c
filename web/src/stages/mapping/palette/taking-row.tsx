import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react'
import { Swatch } from '../../../components/swatch.tsx'
import { usePlan } from '../../../work/work.tsx'
import type { Taking } from './taking.ts'

interface TakingRowProps {
  readonly taking: Taking
  /** What was understood of it. */
  readonly remark: string | null
  readonly problem: string | null
  onChange(next: Taking): void
}

/** One color that was sent, and what would be made of it. */
export function TakingRow({ taking, remark, problem, onChange }: TakingRowProps) {
  const { roles } = usePlan()
  const { taken, name, color, replaces, extras, called, alike } = taking
  const others = (['dark', 'print'] as const).flatMap((scheme) =>
    extras[scheme] ? [[scheme, extras[scheme]] as const] : [],
  )
  const old = roles.find(({ id }) => id === replaces)
  const says = [
    called === null ? null : `sent as “${called}”`,
    remark,
    alike === null || alike.id === replaces ? null : `nearly the same as ${alike.name}`,
    extras.description === undefined ? null : `“${extras.description}”`,
  ].filter((each) => each !== null)
  return (
    <Box px="3" py="1.5" borderBottomWidth="1px">
      <Flex gap="2.5" align="center" fontSize="13px" wrap="wrap">
        <input
          type="checkbox"
          aria-label={`Take ${color}`}
          checked={taken}
          onChange={() => onChange({ ...taking, taken: !taken })}
        />
        {old ? <Swatch color={old.color} size="22px" title="as it is" /> : null}
        <Swatch color={color} size="22px" />
        <Text fontFamily="mono" w="190px" truncate title={color}>
          {color}
        </Text>
        <chakra.select
          aria-label={`What ${color} becomes`}
          value={replaces ?? ''}
          disabled={!taken}
          onChange={(event) => onChange({ ...taking, replaces: event.target.value || null })}
          h="28px"
          px="1.5"
          bg="sheet"
          borderWidth="1px"
          borderColor="strong"
          borderRadius="3px"
        >
          <option value="">a new role</option>
          {roles.map((role) => (
            <option key={role.id} value={role.id}>
              the colour of {role.name}
            </option>
          ))}
        </chakra.select>
        {replaces === null ? (
          <Input
            aria-label={`Name of the role of ${color}`}
            list="jobs"
            aria-invalid={problem !== null}
            value={name}
            disabled={!taken}
            onChange={(event) => onChange({ ...taking, name: event.target.value })}
            w="180px"
          />
        ) : null}
      </Flex>
      {says.length === 0 && others.length === 0 ? null : (
        <Flex fontSize="12px" color="soft" pl="6" gap="3" wrap="wrap">
          {says.map((each) => (
            <span key={each}>{each}</span>
          ))}
          {others.map(([scheme, value]) => (
            <Flex key={scheme} gap="1" align="center">
              {scheme} <Swatch color={value} size="12px" /> <Text fontFamily="mono">{value}</Text>
            </Flex>
          ))}
        </Flex>
      )}
      {problem === null ? null : (
        <Text fontSize="12px" fontWeight="600" pl="6" role="alert">
          <span aria-hidden>▲</span> {problem}
        </Text>
      )}
    </Box>
  )
}
