import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { count, FINDING_WORDS, stateText } from '../../components/words.ts'
import type { Taking } from '../../work/places.ts'
import { useWork } from '../../work/work.tsx'

/** What is no hard-coded color but deserves to be known: findings in the received texts, and what takes another color. */
export function ApartScreen() {
  const { taking, findings } = useWork()
  return (
    <Flex direction="column" h="100%" minH="420px">
      <StageHead
        title="Apart"
        sentence={`${count(findings.length, 'finding')} in the received texts, and ${count(taking.length, 'place takes', 'places take')} another colour: by a keyword such as transparent or currentColor, or computed from variables.`}
      />
      <Findings />
      <TakingTable />
    </Flex>
  )
}

/** Where a text is not as it should be, or a declaration does nothing; what stands behind it was read all the same. */
function Findings() {
  const { findings } = useWork()
  if (findings.length === 0) return null
  return (
    <Sheet as="section" aria-label="Findings" mb="4" maxH="240px" overflow="auto" tabIndex={0}>
      <Heading as="h2" fontSize="13px" px="4" py="2" bg="wash" borderBottom="1px solid" borderColor="edge">
        Findings
      </Heading>
      <Box as="ul" listStyleType="none">
        {findings.map(({ code, path, line, column, excerpt, meaning }) => (
          <Flex
            as="li"
            key={`${path} ${line} ${column} ${code}`}
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
            {meaning === null ? null : (
              <Text>
                likely{' '}
                <Text as="span" fontFamily="mono">
                  {meaning}
                </Text>
              </Text>
            )}
          </Flex>
        ))}
      </Box>
    </Sheet>
  )
}

const COLUMNS: readonly Column<Taking>[] = [
  { head: 'Written', width: '280px', mono: true, cell: ({ raw }) => raw, title: ({ raw }) => raw },
  { head: 'State', width: '110px', cell: ({ states }) => stateText(states) },
  { head: 'Paints', width: '110px', cell: ({ use }) => use },
  { head: 'Subject', mono: true, cell: subjectsOf, title: subjectsOf },
  { head: 'Takes it from', width: '150px', mono: true, cell: sourceOf, title: sourceOf },
  { head: 'Place', mono: true, cell: placeOf, title: placeOf },
]

function subjectsOf({ subjects }: Taking): string {
  return subjects.join(', ')
}

/** The element whose colour a `currentColor` in a drawing is. */
function sourceOf(taking: Taking): string {
  return ('source' in taking ? taking.source?.element : undefined) ?? '–'
}

function placeOf({ path, line }: Taking): string {
  return `${path}:${line}`
}

function TakingTable() {
  const { taking } = useWork()
  return (
    <VirtualTable
      label="Places that take another colour"
      items={taking}
      columns={COLUMNS}
      maxHeight="100%"
      empty={
        <Text p="4" color="soft" fontSize="13px">
          No place takes another colour.
        </Text>
      }
    />
  )
}
