import { Box, Flex, Text, VisuallyHidden } from '@chakra-ui/react'
import {
  groundsOf,
  groupBy,
  type Legibility,
  nearestReadable,
  RATIOS,
  type Role,
  readRoleColor,
  servesOf,
  toHex,
} from '@undo-ink/core'
import { Fragment, type ReactNode, useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Swatch } from '../../../components/swatch.tsx'

interface ReadabilityStripsProps {
  readonly judged: readonly Legibility[]
  /** As the scheme has them. */
  readonly roles: readonly Role[]
  /** How a color is painted for whoever looks. */
  paint(color: string): string
  /** Where the color of the role that is being changed is typed and judged. */
  readonly inPlace: ReactNode
  /** Another color is to be looked at for a role; null: nothing can be changed. */
  readonly onOffer: ((role: Role) => void) | null
}

/** Each ground as a strip, with every text and line that stands on it: its ratio, what that is good for, and where it fails the nearest color that does not. */
export function ReadabilityStrips({ judged, roles, paint, inPlace, onOffer }: ReadabilityStripsProps) {
  const [changing, setChanging] = useState('')
  const strips = useMemo(() => [...groupBy(judged, ({ ground }) => ground).entries()], [judged])
  if (strips.length === 0)
    return (
      <Text p="4" fontSize="13px" color="soft">
        A ground and a text on it are needed to judge how the palette is read.
      </Text>
    )
  return strips.map(([ground, lines]) => (
    <Box key={ground.id} as="section" aria-label={`On ${ground.name}`} borderBottomWidth="1px">
      <Text px="3" pt="2" fontSize="12px" color="soft">
        on {ground.name}
      </Text>
      {lines.map((line) => {
        const key = `${line.role.id} ${ground.id}`
        const offer =
          onOffer === null
            ? null
            : (role: Role) => {
                setChanging(key)
                onOffer(role)
              }
        return (
          <Fragment key={line.role.id}>
            <Line line={line} roles={roles} paint={paint} onOffer={offer} />
            {changing === key ? inPlace : null}
          </Fragment>
        )
      })}
    </Box>
  ))
}

const LEVEL_WORDS: Readonly<Record<Legibility['level'], string>> = {
  best: 'AAA',
  enough: 'AA',
  large: 'large text only',
  fails: 'fails',
}

interface LineProps extends Pick<ReadabilityStripsProps, 'roles' | 'paint' | 'onOffer'> {
  readonly line: Legibility
}

function Line({ line: { role, ground, ratio, level }, roles, paint, onOffer }: LineProps) {
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
        {isGood || onOffer === null ? null : (
          <Correction
            role={role}
            ground={ground}
            ratio={isLine ? RATIOS.line : RATIOS.text}
            roles={roles}
            onOffer={onOffer}
          />
        )}
      </Box>
    </Flex>
  )
}

interface CorrectionProps extends Pick<Legibility, 'role' | 'ground' | 'ratio'> {
  readonly roles: readonly Role[]
  onOffer(role: Role): void
}

/** The nearest color that can be read on all grounds of a role, or where there is none on this one, to be looked at before it is taken. */
function Correction({ role, ground, ratio, roles, onOffer }: CorrectionProps) {
  const found = useMemo(() => {
    const front = readRoleColor(role.color)
    const read = (on: readonly Role[]) =>
      on.flatMap(({ color }) => {
        const back = readRoleColor(color)
        return typeof back === 'string' ? [] : [back]
      })
    if (typeof front === 'string') return null
    const grounds = groundsOf(role, roles)
    const everywhere = nearestReadable(front, read(grounds), ratio)
    if (everywhere) return { color: everywhere, where: grounds.length > 1 ? 'on all its grounds' : `on ${ground.name}` }
    const here = nearestReadable(front, read([ground]), ratio)
    return here && { color: here, where: `on ${ground.name} only: no colour is on all its grounds` }
  }, [role, ground, ratio, roles])
  if (!found) return null
  const hex = toHex(found.color)
  return (
    <ActButton
      h="26px"
      px="1.5"
      fontSize="12px"
      fontFamily="mono"
      aria-label={`Try ${hex} for ${role.name}, the nearest that is readable ${found.where}`}
      title={`The nearest that is readable ${found.where}`}
      onClick={() => onOffer({ ...role, color: hex })}
    >
      <Swatch color={hex} size="14px" /> {hex}
    </ActButton>
  )
}
