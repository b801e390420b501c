import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { useVirtualizer } from '@tanstack/react-virtual'
import type { Facet, FacetValue } from '@undo-ink/core'
import { memo, useRef, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { number } from '../../components/words.ts'
import { toggled } from './facet-chips.tsx'
import { FACET_WORDS, facetValueText } from './facet-words.ts'

const ROW = 28
/** Values above which a field narrows them. */
const MANY = 12

interface FacetMenuProps {
  readonly facet: Facet
  readonly values: readonly FacetValue[]
  readonly chosen: readonly string[]
  onChoose(facet: Facet, chosen: readonly string[]): void
  /** Asks for all values of the facet whose menu is open, or of none. */
  onWhole(facet: Facet | null): void
}

/** A facet behind a button that says what is chosen of it. */
export const FacetMenu = memo(function FacetMenu({ facet, chosen, ...props }: FacetMenuProps) {
  const label = FACET_WORDS[facet]
  const [first] = chosen
  return (
    <PopupButton
      label={label}
      main={first !== undefined}
      width="340px"
      onOpen={(open) => props.onWhole(open ? facet : null)}
      says={
        <Text as="span" truncate>
          {label}
          {first === undefined ? '' : `: ${facetValueText(facet, first)}`}
          {chosen.length > 1 ? ` +${chosen.length - 1}` : ''}
        </Text>
      }
    >
      {() => (
        <>
          <Values facet={facet} chosen={chosen} {...props} />
          {chosen.length > 0 ? (
            <ActButton mt="2" h="26px" onClick={() => props.onChoose(facet, [])}>
              Take the choice back
            </ActButton>
          ) : null}
        </>
      )}
    </PopupButton>
  )
})

function Values({ facet, values, chosen, onChoose }: Omit<FacetMenuProps, 'onWhole'>) {
  const [typed, setTyped] = useState('')
  const scroller = useRef<HTMLDivElement>(null)
  const sought = typed.toLowerCase()
  const shown = values.filter(({ value }) => facetValueText(facet, value).toLowerCase().includes(sought))
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    initialRect: { width: 320, height: 280 },
    overscan: 6,
  })
  return (
    <>
      {values.length > MANY ? (
        <Input
          mb="2"
          placeholder={`Narrow ${number(values.length)} values`}
          aria-label={`Narrow the values of ${FACET_WORDS[facet]}`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      ) : null}
      <Box ref={scroller} maxH="280px" overflow="auto">
        <Box
          position="relative"
          role="group"
          aria-label={FACET_WORDS[facet]}
          style={{ height: virtual.getTotalSize() }}
        >
          {virtual.getVirtualItems().map(({ index, start }) => {
            const { value, count } = shown[index] as FacetValue
            const text = facetValueText(facet, value)
            return (
              <Flex
                as="label"
                key={value}
                position="absolute"
                insetX="0"
                h={`${ROW}px`}
                align="center"
                gap="2"
                px="1"
                fontSize="13px"
                cursor="pointer"
                _hover={{ bg: 'tint' }}
                style={{ top: start }}
              >
                <input
                  type="checkbox"
                  checked={chosen.includes(value)}
                  onChange={() => onChoose(facet, toggled(chosen, value))}
                />
                <Text flex="1" truncate title={text} fontFamily={facet === 'file' ? 'mono' : undefined}>
                  {text}
                </Text>
                <Text color="soft">{number(count)}</Text>
              </Flex>
            )
          })}
        </Box>
        {shown.length === 0 ? (
          <Text fontSize="13px" color="soft" p="1">
            None of them.
          </Text>
        ) : null}
      </Box>
    </>
  )
}
