import { Box, Flex, Heading, Text, VisuallyHidden } from '@chakra-ui/react'
import {
  inSrgb,
  type Legibility,
  nearestReadable,
  nearRoles,
  RATIOS,
  readRoleColor,
  seenBy,
  servesOf,
  toHex,
  VISIONS,
  type Vision,
} from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Segments } from '../../../components/segments.tsx'
import { Sheet } from '../../../components/sheet.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { groupBy } from '../../../work/places.ts'
import { useWork } from '../../../work/work.tsx'

/** Each ground as a strip, with every text and line that stands on it: its ratio, what that is good for, and where it fails the nearest color that does not. */
export function ReadabilityStrips({ judged }: { judged: readonly Legibility[] }) {
  const strips = useMemo(() => [...groupBy(judged, ({ ground }) => ground).entries()], [judged])
  const [eyes, setEyes] = useState<Eyes>('everybody')
  const paint = useMemo(() => painted(eyes), [eyes])
  return (
    <Sheet as="section" aria-label="Readability" w="100%" overflow="auto" tabIndex={0}>
      <Heading as="h2" fontSize="13px" px="3" py="2" bg="wash" borderBottom="1px solid" borderColor="edge">
        Readability
      </Heading>
      <Box px="3" pt="2">
        <Segments
          label="As seen by"
          says="seen by"
          segments={EYES}
          value={eyes}
          height={26}
          onChoose={(next) => setEyes(next)}
        />
      </Box>
      <Alike eyes={eyes} />
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
            <Line key={line.role.id} line={line} paint={paint} />
          ))}
        </Box>
      ))}
    </Sheet>
  )
}

/** Somebody to whom the palette is shown: without cones for long, middle or short waves. */
type Eyes = 'everybody' | Vision
const EYES: readonly { readonly value: Eyes; readonly text: string }[] = [
  { value: 'everybody', text: 'everybody' },
  ...VISIONS.map((value) => ({ value, text: value })),
]

/** How a color is painted for somebody. */
function painted(eyes: Eyes): (color: string) => string {
  return (text) => {
    const color = readRoleColor(text)
    return eyes === 'everybody' || typeof color === 'string' ? text : toHex(seenBy(eyes, inSrgb(color)))
  }
}

/** ΔE00 below which two roles are taken for one: as they are, and by eyes that see fewer colors. */
const ALIKE = { everybody: 2.3, others: 5 } as const

/** The roles that look nearly the same to somebody. */
function Alike({ eyes }: { eyes: Eyes }) {
  const { roles } = useWork()
  const pairs = useMemo(
    () =>
      eyes === 'everybody'
        ? nearRoles(roles, ALIKE.everybody)
        : nearRoles(roles, ALIKE.others, (color) => seenBy(eyes, color)),
    [roles, eyes],
  )
  if (pairs.length === 0) return null
  return (
    <Box as="ul" listStyleType="none" px="3" pt="2" fontSize="13px" aria-label="Nearly the same">
      {pairs.map(({ a, b, distance }) => (
        <li key={`${a.id} ${b.id}`}>
          <span aria-hidden>▲</span> {a.name} and {b.name} are nearly the same, ΔE {distance.toFixed(1)}
        </li>
      ))}
    </Box>
  )
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
