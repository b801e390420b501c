import { Box, Flex, Text, VisuallyHidden } from '@chakra-ui/react'
import { type Legibility, nearestReadable, RATIOS, readRoleColor, servesOf, toHex } from '@undo-ink/core'
import { useMemo } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { groupBy } from '../../../work/places.ts'
import { useWork } from '../../../work/work.tsx'

interface ReadabilityStripsProps {
  readonly judged: readonly Legibility[]
  /** How a color is painted for whoever looks. */
  paint(color: string): string
}

/** Each ground as a strip, with every text and line that stands on it: its ratio, what that is good for, and where it fails the nearest color that does not. */
export function ReadabilityStrips({ judged, paint }: ReadabilityStripsProps) {
  const strips = useMemo(() => [...groupBy(judged, ({ ground }) => ground).entries()], [judged])
  if (strips.length === 0)
    return (
      <Text p="4" fontSize="13px" color="soft">
        A ground and a text on it are needed to judge how the palette is read.
      </Text>
    )
  return strips.map(([ground, lines]) => (
    <Box key={ground.id} as="section" aria-label={`On ${ground.name}`} borderBottom="1px solid" borderColor="edge">
      <Text px="3" pt="2" fontSize="12px" color="soft">
        on {ground.name}
      </Text>
      {lines.map((line) => (
        <Line key={line.role.id} line={line} paint={paint} />
      ))}
    </Box>
  ))
}

const LEVEL_WORDS: Readonly<Record<Legibility['level'], string>> = {
  best: 'AAA',
  enough: 'AA',
  large: 'large text only',
  fails: 'fails',
}

function Line({ line: { role, ground, ratio, level }, paint }: { line: Legibility; paint(color: string): string }) {
  const isLine = servesOf(role) === 'line'
  const isGood = level === 'best' || level === 'enough'
  return (
    <Flex align="center" gap="2" px="3" py="1" fontSize="13px">
      <Box
        aria-hidden
        className="specimen"
        flex="1"
        minW="0"
        px="2.5"
        h="30px"
        lineHeight="30px"
        borderRadius="2px"
        boxShadow="inset 0 0 0 1px rgb(128 128 128 / .35)"
        style={{ background: paint(ground.color), color: isLine ? undefined : paint(role.color) }}
      >
        {isLine ? <Box mt="14px" h="2px" style={{ background: paint(role.color) }} /> : <Box truncate>{role.name}</Box>}
      </Box>
      <Box w="132px" flex="none">
        {isLine ? null : <VisuallyHidden>{role.name}</VisuallyHidden>}
        <Text fontFamily="mono" as="span" mr="1.5">
          {ratio.toFixed(2)}
        </Text>
        <Text as="span" fontWeight={isGood ? 400 : 600}>
          <span aria-hidden>{isGood ? '●' : '▲'}</span> {isLine && isGood ? '3:1' : LEVEL_WORDS[level]}
        </Text>
        {isLine ? (
          <Text fontSize="11px" color="soft" truncate>
            {role.name}
          </Text>
        ) : null}
      </Box>
      <Box w="96px" flex="none">
        {isGood ? null : <Correction role={role} ground={ground} ratio={isLine ? RATIOS.line : RATIOS.text} />}
      </Box>
    </Flex>
  )
}

/** The nearest color that can be read there, and the act that takes it. */
function Correction({ role, ground, ratio }: Pick<Legibility, 'role' | 'ground' | 'ratio'>) {
  const { roles, store } = useWork()
  const nearest = useMemo(() => {
    const [front, back] = [readRoleColor(role.color), readRoleColor(ground.color)]
    return typeof front === 'string' || typeof back === 'string' ? null : nearestReadable(front, back, ratio)
  }, [role.color, ground.color, ratio])
  if (!nearest) return null
  const hex = toHex(nearest)
  return (
    <ActButton
      h="26px"
      px="1.5"
      fontSize="12px"
      fontFamily="mono"
      aria-label={`Make ${role.name} ${hex}, the nearest that is readable on ${ground.name}`}
      title={`The nearest that is readable on ${ground.name}`}
      onClick={() =>
        store.changePalette(roles.map((other) => (other.id === role.id ? { ...other, color: hex } : other)))
      }
    >
      <Swatch color={hex} size="14px" /> {hex}
    </ActButton>
  )
}
