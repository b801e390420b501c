import { Flex, Text } from '@chakra-ui/react'
import { memo, type ReactNode } from 'react'
import { ActButton } from './act-button.tsx'

export interface Segment<T extends string> {
  readonly value: T
  readonly text: ReactNode
  /** The key that does the same. */
  readonly hotkey?: string
}

interface SegmentsProps<T extends string> {
  readonly label: string
  /** Shown before them; without it the label is for screen readers alone. */
  readonly says?: string
  readonly segments: readonly Segment<T>[]
  readonly value: T
  /** Pixels; that of other buttons if left out. */
  readonly height?: number
  /** Whether they share the whole width. */
  readonly wide?: boolean
  onChoose(value: T): void
}

/** A few choices side by side, one of which is made. */
export const Segments = memo(function Segments<T extends string>({
  label,
  says,
  segments,
  value,
  height,
  wide = false,
  onChoose,
}: SegmentsProps<T>) {
  return (
    <Flex role="radiogroup" aria-label={label} align="center" wrap="wrap" flex={wide ? '1' : undefined}>
      {says === undefined ? null : (
        <Text fontSize="12px" color="soft" mr="2">
          {says}
        </Text>
      )}
      {segments.map((segment) => (
        <ActButton
          key={segment.value}
          role="radio"
          aria-checked={value === segment.value}
          main={value === segment.value}
          {...(segment.hotkey === undefined ? {} : { hotkey: segment.hotkey })}
          {...(height === undefined ? {} : { h: `${height}px`, px: '2' })}
          flex={wide ? '1' : undefined}
          borderRadius="0"
          ml="-1px"
          onClick={() => onChoose(segment.value)}
        >
          {segment.text}
        </ActButton>
      ))}
    </Flex>
  )
}) as <T extends string>(props: SegmentsProps<T>) => ReactNode
