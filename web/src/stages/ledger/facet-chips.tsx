import { Flex, Text } from '@chakra-ui/react'
import type { Facet, FacetValue } from '@undo-ink/core'
import { ActButton } from '../../components/act-button.tsx'
import { number } from '../../components/words.ts'
import { FACET_WORDS, facetValueText } from './facet-words.ts'

interface FacetProps {
  readonly facet: Facet
  readonly values: readonly FacetValue[]
  readonly chosen: readonly string[]
  /** How many values are in sight; the chosen ones are always. */
  readonly most: number
  onChoose(facet: Facet, chosen: readonly string[]): void
}

/** A facet with few values, each in sight: a press chooses it or takes it back. */
export function FacetChips({ facet, values, chosen, most, onChoose }: FacetProps) {
  return (
    <Flex role="group" aria-label={FACET_WORDS[facet]} gap="1" mr="2" wrap="wrap" align="center">
      <Text fontSize="12px" color="soft">
        {FACET_WORDS[facet]}
      </Text>
      {values
        .filter(({ value }, i) => i < most || chosen.includes(value))
        .map(({ value, count }) => {
          const isChosen = chosen.includes(value)
          return (
            <ActButton
              key={value}
              h="26px"
              px="1.5"
              gap="1.5"
              main={isChosen}
              aria-pressed={isChosen}
              onClick={() => onChoose(facet, toggled(chosen, value))}
            >
              {facetValueText(facet, value)} <b>{number(count)}</b>
            </ActButton>
          )
        })}
    </Flex>
  )
}

/** A choice with one value more, or one less. */
export function toggled(chosen: readonly string[], value: string): string[] {
  return chosen.includes(value) ? chosen.filter((each) => each !== value) : [...chosen, value]
}
