import { Flex, Text } from '@chakra-ui/react'
import { GROUPINGS, type Grouping } from '@undo-ink/core'
import { memo } from 'react'
import { ActButton } from '../../components/act-button.tsx'

interface GroupingPickerProps {
  readonly grouping: Grouping
  onChoose(grouping: Grouping): void
}

/** By what the places are put together. */
export const GroupingPicker = memo(function GroupingPicker({ grouping, onChoose }: GroupingPickerProps) {
  return (
    <Flex role="radiogroup" aria-label="Group by" align="center" ml="2">
      <Text fontSize="12px" color="soft" mr="2">
        By
      </Text>
      {GROUPINGS.map((each) => (
        <ActButton
          key={each}
          role="radio"
          aria-checked={grouping === each}
          main={grouping === each}
          h="26px"
          px="2"
          borderRadius="0"
          ml="-1px"
          onClick={() => onChoose(each)}
        >
          {each === 'color' ? 'colour' : each}
        </ActButton>
      ))}
    </Flex>
  )
})
