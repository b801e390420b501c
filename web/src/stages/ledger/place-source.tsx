import { Flex, Text } from '@chakra-ui/react'
import { memo, useMemo } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { colorDots } from '../../components/color-dots.ts'
import { Segments } from '../../components/segments.tsx'
import type { MarginNote, SourceMark } from '../../components/source-view.tsx'
import { withAlpha } from '../../components/swatch.tsx'
import { shownPath } from '../../components/words.ts'
import type { PlaceOf, SitePlaces } from '../../work/places.ts'
import { useCopy } from '../../work/work.tsx'
import { SourcePane } from './source-pane.tsx'
import { STEPS, type Step } from './stepping.ts'

const MOST_DOTS = 4

const STEP_SEGMENTS = STEPS.map((value, i) => ({ value, text: value, hotkey: String(i + 1) }))

interface PlaceSourceProps {
  readonly place: PlaceOf
  readonly step: Step
  onChooseStep(step: Step): void
  onStep(direction: 1 | -1): void
}

/** The source of one place with its literal marked, and the colors of each line in the margin. */
export const PlaceSource = memo(function PlaceSource({ place, step, onChooseStep, onStep }: PlaceSourceProps) {
  const { places } = useCopy()
  const notes = useMemo(() => notesOf(places, place.path), [places, place.path])
  const marks = useMemo((): SourceMark[] => [markOf(place, 'here')], [place])
  return (
    <SourcePane
      path={place.path}
      fileId={place.fileId}
      marks={marks}
      notes={notes}
      focus={place}
      marginWidth={64}
      label="Source"
    >
      <SourceHead place={place} />
      <Flex px="3" py="1.5" gap="1" align="center" borderBottomWidth="1px" fontSize="12px">
        <Segments
          label="Step along the places of this"
          segments={STEP_SEGMENTS}
          value={step}
          height={26}
          onChoose={onChooseStep}
        />
        <ActButton
          ml="auto"
          h="26px"
          px="1.5"
          hotkey="P"
          title={`Previous place of this ${step}`}
          onClick={() => onStep(-1)}
        >
          <span aria-hidden>↑</span>
        </ActButton>
        <ActButton h="26px" px="1.5" hotkey="N" title={`Next place of this ${step}`} onClick={() => onStep(1)}>
          <span aria-hidden>↓</span>
        </ActButton>
      </Flex>
    </SourcePane>
  )
})

/** Where a place stands. */
export function SourceHead({ place: { path, line, column } }: { place: Pick<PlaceOf, 'path' | 'line' | 'column'> }) {
  return (
    <Flex px="3" py="1.5" gap="2" align="center" borderBottomWidth="1px" bg="wash" fontSize="13px">
      <Text fontFamily="mono" truncate title={shownPath(path)}>
        {shownPath(path)}
      </Text>
      <Text color="soft" whiteSpace="nowrap">
        line {line}, column {column}
      </Text>
    </Flex>
  )
}

/** The mark of a place; a line break counts as one unit in the view, whatever the file has. */
export function markOf(place: Pick<PlaceOf, 'line' | 'column' | 'raw'>, kind: SourceMark['kind']): SourceMark {
  return { line: place.line, column: place.column, length: place.raw.replaceAll('\r\n', '\n').length, kind }
}

/** The first colors of each line of a file. A line may hold a hundred thousand places: only those that are shown are looked at. */
export function notesOf(places: SitePlaces, path: string): MarginNote[] {
  const byLine = new Map<number, number[]>()
  for (const index of places.inFile(path)) {
    const line = places.ledger.positions.line[index] as number
    const held = byLine.get(line)
    if (!held) byLine.set(line, [index])
    else if (held.length < MOST_DOTS) held.push(index)
  }
  return [...byLine].map(([line, indices]): MarginNote => {
    const shown = places.some(indices)
    return {
      line,
      column: null,
      key: shown.map(({ color, alpha }) => `${color}${alpha}`).join(' '),
      render: () =>
        colorDots(shown.map(({ color, alpha, raw }) => ({ paint: withAlpha(color, alpha ?? 1), title: raw }))),
    }
  })
}
