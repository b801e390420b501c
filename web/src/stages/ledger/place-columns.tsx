import { Box, Text } from '@chakra-ui/react'
import { type Grouping, type Outcome, opaqueKey, paintOf } from '@undo-ink/core'
import type { ReactNode } from 'react'
import { Swatch } from '../../components/swatch.tsx'
import { shownPath, stateText } from '../../components/words.ts'
import type { PlaceOf } from '../../work/places.ts'
import { becomesText } from '../../work/standing.ts'

/** One column of the table of places. */
export interface PlaceColumn {
  readonly key: string
  readonly head: string
  /** CSS grid track */
  readonly track: string
  readonly mono?: boolean
  readonly right?: boolean
  /** A path: where it is cut, its end is kept. */
  readonly path?: boolean
  text(place: PlaceOf, outcome: Outcome): string
  /** Shown instead of the text. */
  cell?(place: PlaceOf, outcome: Outcome): ReactNode
}

/** Every column that can be chosen, in the order in which they stand. */
export const PLACE_COLUMNS: readonly PlaceColumn[] = [
  { key: 'written', head: 'Written as', track: 'minmax(110px, 1.3fr)', mono: true, text: ({ raw }) => raw },
  {
    key: 'becomes',
    head: 'Becomes',
    track: 'minmax(90px, .9fr)',
    text: (_place, outcome) => becomesText(outcome),
    cell: (_place, outcome) => <Becomes outcome={outcome} />,
  },
  { key: 'state', head: 'State', track: 'minmax(56px, .7fr)', text: ({ signals }) => stateText(signals) },
  { key: 'paints', head: 'Paints', track: 'minmax(60px, .6fr)', text: ({ use }) => use },
  { key: 'property', head: 'Property', track: 'minmax(90px, 1fr)', mono: true, text: ({ property }) => property },
  {
    key: 'subject',
    head: 'Subject',
    track: 'minmax(120px, 2fr)',
    mono: true,
    text: ({ variable, subjects }) => variable ?? subjects.join(', '),
  },
  {
    key: 'selector',
    head: 'Selector',
    track: 'minmax(120px, 2fr)',
    mono: true,
    text: ({ selector }) => selector ?? '–',
  },
  { key: 'heading', head: 'Heading', track: 'minmax(90px, 1fr)', text: ({ heading }) => heading ?? '–' },
  {
    key: 'conditions',
    head: 'Conditions',
    track: 'minmax(90px, 1fr)',
    mono: true,
    text: ({ atRules }) => atRules.join(' ') || '–',
  },
  {
    key: 'alpha',
    head: 'Alpha',
    track: '56px',
    mono: true,
    right: true,
    text: ({ alpha }) => (alpha === null ? 'var' : String(alpha)),
  },
  { key: 'notation', head: 'Notation', track: '84px', text: ({ notation }) => notation },
  { key: 'sureness', head: 'Sureness', track: '72px', text: ({ confidence }) => confidence },
  {
    key: 'file',
    head: 'File',
    track: 'minmax(110px, 1.2fr)',
    mono: true,
    path: true,
    text: ({ path }) => shownPath(path),
  },
  { key: 'line', head: 'Line', track: '48px', mono: true, right: true, text: ({ line }) => String(line) },
]

const USUAL: readonly string[] = ['written', 'state', 'paints', 'subject', 'line']

/** Under the name of a variable it is worth knowing where it is set: on which theme, at which width. */
const OF_VARIABLES: readonly string[] = ['written', 'paints', 'selector', 'file', 'line']

/** The columns of some keys, in their order; the usual ones for none, with the file where the groups do not name it. */
export function columnsOf(keys: readonly string[] | null, grouping: Grouping): readonly PlaceColumn[] {
  const usual = grouping === 'file' ? USUAL : grouping === 'variable' ? OF_VARIABLES : [...USUAL, 'file']
  const found = PLACE_COLUMNS.filter(({ key }) => (keys ?? usual).includes(key))
  return found.length > 0 ? found : PLACE_COLUMNS.filter(({ key }) => usual.includes(key))
}

function Becomes({ outcome }: { outcome: Outcome }) {
  const paint = paintOf(outcome)
  return (
    <Box as="span" display="flex" alignItems="center" gap="1.5" minW="0">
      {paint ? <Swatch color={opaqueKey(paint)} size="14px" /> : null}
      <Text as="span" truncate color={paint ? 'ink' : 'soft'}>
        {becomesText(outcome)}
      </Text>
    </Box>
  )
}
