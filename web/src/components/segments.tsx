import { Flex } from '@chakra-ui/react'
import { memo, type ReactNode } from 'react'
import { KeyCap } from './key-cap.tsx'

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
    <Flex role="radiogroup" aria-label={label} align="center" wrap="wrap" flex={wide ? '1' : undefined} css={STYLES}>
      {says === undefined ? null : <span className="says">{says}</span>}
      {segments.map((segment) => (
        <button
          key={segment.value}
          type="button"
          role="radio"
          aria-checked={value === segment.value}
          className="segment"
          style={{ height, paddingInline: height === undefined ? 12 : 8, flex: wide ? 1 : undefined }}
          onClick={() => onChoose(segment.value)}
        >
          {segment.text}
          {segment.hotkey ? <KeyCap inverse={value === segment.value}>{segment.hotkey}</KeyCap> : null}
        </button>
      ))}
    </Flex>
  )
}) as <T extends string>(props: SegmentsProps<T>) => ReactNode

/** Plain buttons under the styles of their group: a screen has many of them, and each styled by itself would cost a millisecond. */
const STYLES = {
  '& .says': { fontSize: '12px', color: 'soft', marginRight: '8px' },
  '& .segment': {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '8px',
    height: '32px',
    marginLeft: '-1px',
    fontSize: '13px',
    border: '1px solid',
    borderColor: 'strong',
    bg: 'sheet',
    color: 'ink',
    cursor: 'pointer',
    whiteSpace: 'nowrap',
  },
  '& .segment:hover': { bg: 'tint' },
  '& .segment[aria-checked=true]': { bg: 'ink', color: 'sheet', borderColor: 'ink', fontWeight: 600 },
  '& .segment[aria-checked=true]:hover': { bg: '#333333' },
}
