import { Flex, Text } from '@chakra-ui/react'
import type { Facet, FacetValue } from '@undo-ink/core'
import { memo } from 'react'
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
export const FacetChips = memo(function FacetChips({ facet, values, chosen, most, onChoose }: FacetProps) {
  const shown = values.filter(({ value }, i) => i < most || chosen.includes(value))
  if (shown.length === 0) return null
  return (
    <Flex role="group" aria-label={FACET_WORDS[facet]} gap="1" mr="2" wrap="wrap" align="center" css={STYLES}>
      <Text fontSize="12px" color="soft">
        {FACET_WORDS[facet]}
      </Text>
      {shown.map(({ value, count }) => (
        <button
          key={value}
          type="button"
          className="chip"
          aria-pressed={chosen.includes(value)}
          onClick={() => onChoose(facet, toggled(chosen, value))}
        >
          {facetValueText(facet, value)} <b>{number(count)}</b>
        </button>
      ))}
    </Flex>
  )
})

/** Plain buttons under the styles of their group: the counts move with every step of a search. */
const STYLES = {
  '& .chip': {
    height: '26px',
    paddingInline: '6px',
    fontSize: '13px',
    border: '1px solid',
    borderColor: 'strong',
    borderRadius: '3px',
    bg: 'sheet',
    color: 'ink',
    cursor: 'pointer',
  },
  '& .chip:hover': { bg: 'tint' },
  '& .chip[aria-pressed=true]': { bg: 'ink', color: 'sheet', borderColor: 'ink' },
}

/** A choice with one value more, or one less. */
export function toggled(chosen: readonly string[], value: string): string[] {
  return chosen.includes(value) ? chosen.filter((each) => each !== value) : [...chosen, value]
}
