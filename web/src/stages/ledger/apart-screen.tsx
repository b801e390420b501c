import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import type { Keyword } from '@undo-ink/core'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { count, FINDING_WORDS, stateText } from '../../components/words.ts'
import type { InFile } from '../../work/places.ts'
import { useWork } from '../../work/work.tsx'

/** What is no hard-coded color but deserves to be known: faults in the received texts, and color keywords. */
export function ApartScreen() {
  const { keywords, findings } = useWork()
  return (
    <Flex direction="column" h="100%" minH="420px">
      <StageHead
        title="Apart"
        sentence={`${count(findings.length, 'fault')} in the received texts, and ${count(keywords.length, 'keyword')} that take another colour: transparent, currentColor and the colours of the system.`}
      />
      <Faults />
      <Keywords />
    </Flex>
  )
}

/** Where a text could not be read as it should; what stands behind the fault was read all the same. */
function Faults() {
  const { findings } = useWork()
  if (findings.length === 0) return null
  return (
    <Sheet as="section" aria-label="Faults" mb="4" maxH="240px" overflow="auto" tabIndex={0}>
      <Heading as="h2" fontSize="13px" px="4" py="2" bg="wash" borderBottom="1px solid" borderColor="edge">
        Faults
      </Heading>
      <Box as="ul" listStyleType="none">
        {findings.map(({ code, path, line, column, excerpt }) => (
          <Flex
            as="li"
            key={`${path} ${line} ${column}`}
            px="4"
            py="1.5"
            gap="3"
            wrap="wrap"
            fontSize="13px"
            borderBottom="1px solid"
            borderColor="edge"
          >
            <Text fontWeight="600">
              <span aria-hidden>▲</span> {FINDING_WORDS[code]}
            </Text>
            <Text fontFamily="mono">{path}</Text>
            <Text color="soft">
              line {line}, column {column}
            </Text>
            <Text fontFamily="mono" truncate maxW="320px" title={excerpt}>
              {excerpt}
            </Text>
          </Flex>
        ))}
      </Box>
    </Sheet>
  )
}

const KEYWORD_COLUMNS: readonly Column<InFile<Keyword>>[] = [
  { head: 'Keyword', width: '150px', mono: true, cell: ({ raw }) => raw },
  { head: 'State', width: '110px', cell: ({ states }) => stateText(states) },
  { head: 'Paints', width: '110px', cell: ({ use }) => use },
  { head: 'Subject', mono: true, cell: subjectsOf, title: subjectsOf },
  { head: 'Place', mono: true, cell: placeOf, title: placeOf },
]

function subjectsOf({ subjects }: Keyword): string {
  return subjects.join(', ')
}

function placeOf({ path, line }: InFile<Keyword>): string {
  return `${path}:${line}`
}

function Keywords() {
  const { keywords } = useWork()
  return (
    <VirtualTable
      label="Keywords"
      items={keywords}
      columns={KEYWORD_COLUMNS}
      maxHeight="100%"
      empty={
        <Text p="4" color="soft" fontSize="13px">
          No keyword stands where a colour is taken.
        </Text>
      }
    />
  )
}
