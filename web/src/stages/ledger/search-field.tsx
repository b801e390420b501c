import { chakra, Flex, Text } from '@chakra-ui/react'
import { isNearlyColor, readQuery } from '@undo-ink/core'
import { Swatch } from '../../components/swatch.tsx'
import { REACHES } from './address.ts'

interface SearchFieldProps {
  readonly typed: string
  readonly reach: number
  onType(typed: string): void
  onReach(reach: number): void
}

/** One field for everything that is looked for: a color in any notation finds what is near it, any other text what holds it. */
export function SearchField({ typed, reach, onType, onReach }: SearchFieldProps) {
  const query = readQuery(typed)
  return (
    <Flex
      role="search"
      align="center"
      gap="2"
      h="34px"
      px="2"
      minW="min(100%, 280px)"
      flex="0 1 auto"
      bg="sheet"
      borderWidth="1px"
      borderColor="ink"
      borderRadius="3px"
      _focusWithin={{ outline: '2px solid', outlineColor: 'ink', outlineOffset: '1px' }}
    >
      {query?.kind === 'color' ? <Swatch color={query.color} size="18px" /> : null}
      <chakra.input
        type="search"
        aria-label="Find a colour or a text"
        placeholder="Colour, selector, heading, words …"
        value={typed}
        onChange={(event) => onType(event.target.value)}
        flex="1"
        minW="210px"
        h="100%"
        bg="transparent"
        outline="none"
        fontSize="13px"
        fontFamily={query?.kind === 'color' ? 'mono' : undefined}
      />
      {query?.kind === 'text' && isNearlyColor(query.text) ? (
        <Text as="span" role="status" fontSize="12px" whiteSpace="nowrap">
          no colour: sought as a text
        </Text>
      ) : null}
      {query?.kind === 'color' ? (
        <Flex as="label" align="center" gap="2" fontSize="12px" whiteSpace="nowrap">
          <Text as="span" w="86px">
            within ΔE {reach.toFixed(1)}
          </Text>
          <chakra.input
            type="range"
            aria-label="Reach of the search, ΔE00"
            min={REACHES.least}
            max={REACHES.most}
            step="0.5"
            value={reach}
            onChange={(event) => onReach(Number(event.target.value))}
            w="120px"
            accentColor="ink"
          />
        </Flex>
      ) : null}
    </Flex>
  )
}
