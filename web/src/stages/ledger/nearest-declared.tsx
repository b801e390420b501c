import { Box, Flex, Text } from '@chakra-ui/react'
import { labsOf, type OpaqueKey, opaqueKey, parseColor } from '@undo-ink/core'
import { useMemo } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count } from '../../components/words.ts'
import { useCopy } from '../../work/work.tsx'
import { nearestTo } from './color-facts.ts'

/** The declared color that is nearest to what was picked: a photograph's pixel is seldom one itself. */
export function NearestDeclared({ picked, onFind }: { picked: string | null; onFind(color: OpaqueKey): void }) {
  const { places } = useCopy()
  const color = picked === null ? null : parseColor(picked)
  const key = color && opaqueKey(color)
  const labs = useMemo(() => labsOf(places.ledger), [places])
  const nearest = useMemo(() => (key === null ? null : nearestTo(places.ledger, labs, key)), [places, labs, key])
  return (
    <>
      {key === null ? null : (
        <Flex mb="2" aria-hidden>
          <Swatch color={key} size="100px" borderRadius="0" />
          <Swatch color={nearest?.color ?? null} size="100px" borderRadius="0" />
        </Flex>
      )}
      <Box role="status" aria-label="Picked colour" mb="3">
        {key === null ? (
          <Text color="soft">Point at something painted.</Text>
        ) : (
          <>
            <Text>
              picked <b style={MONO}>{key}</b>
            </Text>
            {nearest === null ? (
              <Text mt="1">Nothing is declared in this copy.</Text>
            ) : (
              <>
                <Text mt="1">
                  nearest declared <b style={MONO}>{nearest.color}</b>
                </Text>
                <Text mt="1">{sayDistance(nearest.distance)}</Text>
                <Text mt="1" color="soft">
                  {count(places.ofColors([nearest.color]).length, 'place')}
                </Text>
              </>
            )}
          </>
        )}
      </Box>
      {nearest === null ? null : (
        <ActButton main onClick={() => onFind(nearest.color)}>
          Find its places
        </ActButton>
      )}
    </>
  )
}

const MONO = { fontFamily: 'var(--chakra-fonts-mono)', fontWeight: 600 }

/** In words, for those to whom a number says nothing. */
function sayDistance(distance: number): string {
  const words =
    distance === 0
      ? 'the very same'
      : distance < 1
        ? 'not to be told apart'
        : distance < 2.3
          ? 'barely to be told apart'
          : distance < 10
            ? 'another colour, but near'
            : 'nothing near it is declared'
  return `ΔE ${distance.toFixed(2)}: ${words}`
}
