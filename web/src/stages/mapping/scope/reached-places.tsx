import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { type Segment, Segments } from '../../../components/segments.tsx'
import { type Column, VirtualTable } from '../../../components/virtual-table.tsx'
import { count, number, shownPath } from '../../../components/words.ts'
import type { PagesSeen } from '../../../judging/use-seen.ts'
import type { Reached, ScopeReach } from './scope-reach.ts'

type Kind = keyof ScopeReach

const WORDS: Readonly<Record<Kind, { readonly tab: string; readonly says: string }>> = {
  all: { tab: 'taken', says: 'The literal itself is changed.' },
  part: {
    tab: 'taken in part',
    says: 'The rest of its rule stays: a rule of its own is added behind it, exactly as strong.',
  },
  none: { tab: 'left', says: 'Nothing of them agrees with the limits.' },
  unwritable: {
    tab: 'cannot be parted',
    says: 'Some of it may agree, but no rule can be written for that part: it is left as it is.',
  },
}

const KINDS: readonly Kind[] = ['all', 'part', 'none', 'unwritable']

const COLUMNS: readonly Column<Reached>[] = [
  {
    head: 'Place',
    width: '150px',
    mono: true,
    path: true,
    cell: ({ place }) => `${shownPath(place.path)}:${place.line}`,
    title: ({ place }) => place.path,
  },
  { head: 'Written', width: '90px', mono: true, cell: ({ place }) => place.raw, title: ({ place }) => place.raw },
  {
    head: 'Property',
    width: '100px',
    mono: true,
    cell: ({ place }) => place.property,
    title: ({ place }) => place.property,
  },
  {
    head: 'Selector',
    mono: true,
    cell: ({ place }) => place.selector ?? '',
    title: ({ place }) => place.selector ?? undefined,
  },
]
/** What of a place is taken or why it cannot be, and whether any page shows it. */
function saysColumn(seen: PagesSeen | null): Column<Reached> {
  const text = ({ says, part }: Reached) => {
    if (!part || !seen) return says
    const pages = Math.max(...part.selectors.map((each) => seen.on(each.text, each.within)))
    return `${says}; ${pages === 0 ? 'on no page as it stands' : `seen on ${count(pages, 'page')}`}`
  }
  return { head: 'What of it', cell: text, title: text }
}

/** Every place of the row by what the limits do with it, seen while they are chosen. */
export function ReachedPlaces({
  reach,
  isElsewhere,
  seen,
}: {
  reach: ScopeReach
  isElsewhere: boolean
  seen: PagesSeen | null
}) {
  const [chosen, setChosen] = useState<Kind | null>(null)
  const kind = chosen ?? (reach.all.length === 0 && reach.part.length > 0 ? 'part' : 'all')
  const kinds = KINDS.filter((each) => each === 'all' || each === 'none' || reach[each].length > 0)
  const shown = kinds.includes(kind) ? kind : 'all'
  const columns = shown === 'part' || shown === 'unwritable' ? [...COLUMNS, saysColumn(seen)] : COLUMNS
  return (
    <Flex direction="column" gap="2" minH="0">
      <Segments<Kind>
        label="Places by what the limits do with them"
        segments={kinds.map(
          (each): Segment<Kind> => ({ value: each, text: `${number(reach[each].length)} ${WORDS[each].tab}` }),
        )}
        value={shown}
        onChoose={setChosen}
      />
      <Text fontSize="12px" color="soft">
        {isElsewhere && shown === 'all' ? 'These are kept as they are.' : WORDS[shown].says}
      </Text>
      <VirtualTable
        label={`Places ${WORDS[shown].tab}`}
        items={reach[shown]}
        columns={columns}
        maxHeight="220px"
        minWidth="620px"
        empty={
          <Text p="3" fontSize="13px" color="soft">
            None.
          </Text>
        }
      />
    </Flex>
  )
}
