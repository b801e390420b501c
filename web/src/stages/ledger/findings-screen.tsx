import { Flex, Text } from '@chakra-ui/react'
import { countFindings } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { GridRow, VirtualGrid } from '../../components/virtual-grid.tsx'
import { are, count, FINDING_WORDS, number, shownPath } from '../../components/words.ts'
import { useStable } from '../../work/use-stable.ts'
import { useCopy, usePlan } from '../../work/work.tsx'
import { FindingCard, MeantColor } from './finding-card.tsx'
import { type FindingRow, findingRows } from './finding-rows.ts'
import { markOf, notesOf, SourceHead } from './place-source.tsx'
import { SourcePane } from './source-pane.tsx'

/** Where a text is not as it should be, or a declaration does nothing; what was likely meant is accepted with one act. */
export function FindingsScreen() {
  const { findings } = useCopy()
  const { state, store } = usePlan()
  const [at, setAt] = useState(0)
  const rows = useMemo(() => findingRows(findings, state.corrections), [findings, state.corrections])
  const selected = rows[Math.min(at, rows.length - 1)] ?? null
  const open = rows.filter(({ finding, correction }) => finding.remedy !== null && correction === null)
  const corrected = rows.filter(({ correction }) => correction !== null).length
  const putRight = useStable((some: readonly FindingRow[]) => {
    const corrections = some.flatMap(({ finding: { remedy, path } }) =>
      remedy ? [{ ...remedy, path, id: crypto.randomUUID() }] : [],
    )
    if (corrections.length > 0) store.act({ kind: 'correct', corrections })
  })
  const toggle = useStable((row: FindingRow) => {
    if (row.correction) store.act({ kind: 'take-back', decisions: [row.correction.id] })
    else putRight([row])
  })
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="420px">
      <StageHead title="Findings" sentence={sentence(countFindings(findings), open.length, corrected)}>
        {open.length === 0 ? null : (
          <ActButton main onClick={() => putRight(open)}>
            Put all {number(open.length)} right
          </ActButton>
        )}
      </StageHead>
      {selected === null ? (
        <Sheet p="6">
          <Text color="soft">Every text of this copy is as its language has it.</Text>
        </Sheet>
      ) : (
        <Flex flex={{ base: 'none', lg: '1' }} minH="0" gap="4" direction={{ base: 'column', lg: 'row' }}>
          <FindingsTable
            rows={rows}
            at={rows.indexOf(selected)}
            onSelect={setAt}
            onLetter={(letter) => {
              if (letter !== 'r' || selected.finding.remedy === null) return false
              toggle(selected)
              return true
            }}
          />
          <Flex direction="column" gap="3" flex={{ base: 'none', lg: '0 0 400px' }} minW="0" minH="0">
            <FindingSource row={selected} />
            <FindingCard row={selected} onToggle={toggle} />
          </Flex>
        </Flex>
      )}
    </Flex>
  )
}

function sentence(all: number, open: number, corrected: number): string {
  if (all === 0) return 'Nothing odd was found in the received texts.'
  const likely = open === 0 ? '' : ` Of ${number(open)} it is likely what was meant.`
  const right = corrected === 0 ? '' : ` ${number(corrected)} ${are(corrected)} put right.`
  return `${count(all, 'oddity', 'oddities')} in the received texts.${likely}${right}`
}

const COLUMNS = 'minmax(0, 4fr) minmax(0, 2fr) minmax(0, 3fr) minmax(0, 3fr)'
const HEADS = [
  { text: 'What is odd' },
  { text: 'Written as' },
  { text: 'Likely meant, ✓ put right' },
  { text: 'Place' },
]
const ROW = 34
const rowHeight = () => ROW

interface FindingsTableProps {
  readonly rows: readonly FindingRow[]
  readonly at: number
  onSelect(index: number): void
  onLetter(letter: string): boolean
}

function FindingsTable({ rows, at, onSelect, onLetter }: FindingsTableProps) {
  return (
    <VirtualGrid
      label="Findings: arrow keys move, R puts right"
      columns={COLUMNS}
      heads={HEADS}
      count={rows.length}
      heightOf={rowHeight}
      at={at}
      activeId={`finding-${at}`}
      page={15}
      onMove={(step) => onSelect(Math.min(rows.length - 1, Math.max(0, at + step)))}
      onLetter={onLetter}
      row={(index) => {
        const { finding, correction } = rows[index] as FindingRow
        return (
          <GridRow
            id={`finding-${index}`}
            rowIndex={index + 2}
            selected={index === at}
            columns={COLUMNS}
            onSelect={() => onSelect(index)}
          >
            <div role="gridcell" className="cell" title={FINDING_WORDS[finding.code]}>
              <span aria-hidden>▲</span> {FINDING_WORDS[finding.code]}
            </div>
            <div role="gridcell" className="cell mono" title={finding.excerpt}>
              {correction ? <s>{finding.excerpt}</s> : finding.excerpt}
            </div>
            <div role="gridcell" className="cell mono">
              {correction ? '✓ ' : ''}
              {finding.meaning === null ? '–' : <MeantColor text={finding.meaning} />}
            </div>
            <div role="gridcell" className="cell mono path" title={`${shownPath(finding.path)}:${finding.line}`}>
              <bdi dir="ltr">
                {shownPath(finding.path)}:{finding.line}
              </bdi>
            </div>
          </GridRow>
        )
      }}
    />
  )
}

function FindingSource({ row: { finding, correction } }: { row: FindingRow }) {
  const { places } = useCopy()
  const { path, remedy, excerpt, line, column } = finding
  const notes = useMemo(() => notesOf(places, path), [places, path])
  const focus = remedy ?? { line, column, raw: excerpt }
  return (
    <SourcePane
      path={path}
      fileId={places.fileId(path)}
      marks={[markOf(focus, correction ? 'struck-here' : 'here')]}
      notes={notes}
      focus={focus}
      marginWidth={64}
      label="Source"
    >
      <SourceHead place={{ ...focus, path }} />
    </SourcePane>
  )
}
