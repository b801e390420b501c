import { Flex, Text } from '@chakra-ui/react'
import { StageHead } from '../../components/stage-head.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { count, shownPath, stateText } from '../../components/words.ts'
import type { Taking } from '../../work/places.ts'
import { useCopy } from '../../work/work.tsx'

/** What is no hard-coded color but takes another: by a keyword, or computed. */
export function ApartScreen() {
  const { taking } = useCopy()
  return (
    <Flex direction="column" h="100%" minH="420px">
      <StageHead
        title="Not written out"
        sentence={`${count(taking.count, 'place takes', 'places take')} another colour: by a keyword such as transparent or currentColor, or computed from variables.`}
      />
      <VirtualTable
        label="Places that take another colour"
        items={taking.list()}
        columns={COLUMNS}
        maxHeight="100%"
        empty={
          <Text p="4" color="soft" fontSize="13px">
            No place takes another colour.
          </Text>
        }
      />
    </Flex>
  )
}

const COLUMNS: readonly Column<Taking>[] = [
  { head: 'Written', width: '280px', mono: true, cell: ({ raw }) => raw, title: ({ raw }) => raw },
  { head: 'State', width: '110px', cell: ({ signals }) => stateText(signals) },
  { head: 'Paints', width: '110px', cell: ({ use }) => use },
  { head: 'Subject', mono: true, cell: subjectsOf, title: subjectsOf },
  { head: 'Takes it from', width: '150px', mono: true, cell: sourceOf, title: sourceOf },
  { head: 'Place', mono: true, path: true, cell: placeOf, title: placeOf },
]

function subjectsOf({ subjects }: Taking): string {
  return subjects.join(', ')
}

/** The element whose colour a `currentColor` in a drawing is. */
function sourceOf(taking: Taking): string {
  return ('source' in taking ? taking.source?.element : undefined) ?? '–'
}

function placeOf({ path, line }: Taking): string {
  return `${shownPath(path)}:${line}`
}
