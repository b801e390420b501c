import { Box, Flex, Heading, Text, VisuallyHidden } from '@chakra-ui/react'
import { type Legibility, nearestReadable, RATIOS, readRoleColor, servesOf, toHex } from '@undo-ink/core'
import { useMemo } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Sheet } from '../../../components/sheet.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { groupBy } from '../../../work/places.ts'
import { useWork } from '../../../work/work.tsx'

/** Each ground as a strip, with every text and line that stands on it: its ratio, what that is good for, and where it fails the nearest color that does not. */
export function ReadabilityStrips({ judged }: { judged: readonly Legibility[] }) {
  const strips = useMemo(() => [...groupBy(judged, ({ ground }) => ground).entries()], [judged])
  return (
    <Sheet as="section" aria-label="Readability" w="100%" overflow="auto" tabIndex={0}>
      <Heading as="h2" fontSize="13px" px="3" py="2" bg="wash" borderBottom="1px solid" borderColor="edge">
        Readability
      </Heading>
      {strips.length === 0 ? (
        <Text p="4" fontSize="13px" color="soft">
          A ground and a text on it are needed to judge how the palette is read.
        </Text>
      ) : null}
      {strips.map(([ground, lines]) => (
        <Box key={ground.id} as="section" aria-label={`On ${ground.name}`} borderBottom="1px solid" borderColor="edge">
          <Text px="3" pt="2" fontSize="12px" color="soft">
            on {ground.name}
          </Text>
          {lines.map((line) => (
            <Line key={line.role.id} line={line} />
          ))}
        </Box>
      ))}
    </Sheet>
  )
}

const LEVEL_WORDS: Readonly<Record<Legibility['level'], string>> = {
  best: 'AAA',
  enough: 'AA',
  large: 'large text only',
  fails: 'fails',
}

function Line({ line: { role, ground, ratio, level } }: { line: Legibility }) {
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
        style={{ background: ground.color, color: isLine ? undefined : role.color }}
      >
        {isLine ? <Box mt="14px" h="2px" style={{ background: role.color }} /> : <Box truncate>{role.name}</Box>}
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
