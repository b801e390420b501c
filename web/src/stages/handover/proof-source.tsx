import { Flex, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { colorDots } from '../../components/color-dots.ts'
import type { MarginNote, SourceMark } from '../../components/source-view.tsx'
import { withAlpha } from '../../components/swatch.tsx'
import { count, shownPath } from '../../components/words.ts'
import { markOf } from '../ledger/place-source.tsx'
import { SourcePane } from '../ledger/source-pane.tsx'
import type { PlannedChange } from './rewriting/planned-changes.ts'

interface ProofSourceProps {
  /** The change that is looked at. */
  readonly change: PlannedChange
  readonly group: readonly PlannedChange[]
  readonly all: readonly PlannedChange[]
}

/** A file as it came, each old literal struck, its correction in the margin with both swatches. */
export function ProofSource({ change, group, all }: ProofSourceProps) {
  const { path, fileId, heading } = change
  const here = useMemo(() => all.filter((each) => each.fileId === fileId), [all, fileId])
  const marks = useMemo(() => marksOf(here, change), [here, change])
  const notes = useMemo(
    () =>
      here.map(
        (each): MarginNote => ({
          line: each.line,
          column: each.column,
          key: `${each.raw} ${each.replacement}`,
          render: () => correction(each),
        }),
      ),
    [here],
  )
  const marginWidth = useMemo(() => widthOf(here), [here])
  return (
    <SourcePane
      path={path}
      fileId={fileId}
      marks={marks}
      notes={notes}
      focus={change}
      marginWidth={marginWidth}
      label="Changes in the source"
    >
      <Flex px="3" py="1.5" gap="3" borderBottomWidth="1px" bg="wash" fontSize="13px">
        <Text fontFamily="mono" fontWeight="600" truncate>
          {shownPath(path)}
        </Text>
        {heading ? (
          <Text color="soft" truncate>
            under the heading “{heading}”
          </Text>
        ) : null}
        <Text ml="auto" color="soft" whiteSpace="nowrap">
          {group.indexOf(change) + 1} of {count(group.length, 'change')}
        </Text>
      </Flex>
    </SourcePane>
  )
}

/** Pixels of the margin: what its longest correction needs, within bounds. */
function widthOf(changes: readonly PlannedChange[]): number {
  const longest = changes.reduce(
    (most, { replacement, part, keptNotation }) =>
      Math.max(most, replacement.length + (part === null ? 0 : 8) + (keptNotation ? 0 : 6)),
    0,
  )
  return Math.min(WIDEST, Math.max(NARROWEST, 60 + longest * LETTER))
}

const NARROWEST = 130
const WIDEST = 224
const LETTER = 7.8

/** What is replaced is struck; what a rule is added for stays. */
function marksOf(here: readonly PlannedChange[], change: PlannedChange): SourceMark[] {
  return here.flatMap((each): SourceMark[] => {
    if (each.part === null && each.raw !== '') return [markOf(each, each === change ? 'struck-here' : 'struck')]
    return each === change && each.raw !== '' ? [markOf(each, 'here')] : []
  })
}

/** @param flex of CSS: whether it may be cut */
function smallWord(text: string, flex: string): HTMLElement {
  const word = document.createElement('span')
  word.style.cssText = `flex:${flex};font-size:11px;color:var(--chakra-colors-soft);overflow:hidden;text-overflow:ellipsis;white-space:nowrap;min-width:0`
  word.textContent = text
  return word
}

/** A correction: both colors, the new text, and a word where the notation had to change. */
function correction({ raw, replacement, was, becomes, role, part, keptNotation }: PlannedChange): HTMLElement {
  const row = document.createElement('div')
  row.style.cssText =
    'display:flex;gap:6px;height:22px;align-items:center;padding-left:8px;color:var(--chakra-colors-ink)'
  const why = role ?? 'a slip put right'
  row.title = `${raw} becomes ${replacement}: ${why}${part === null ? '' : `, ${part}`}`
  const dots = [
    { paint: was, title: raw },
    { paint: becomes, title: why },
  ].flatMap(({ paint, title }) => (paint ? [{ paint: withAlpha(paint.color, paint.alpha), title }] : []))
  const text = document.createElement('span')
  text.style.cssText = 'font-weight:600;overflow:hidden;text-overflow:ellipsis;white-space:nowrap;min-width:0'
  text.textContent = replacement
  row.append(colorDots(dots), text)
  if (part !== null) row.append(smallWord(part, '0 1 auto'))
  if (!keptNotation) row.append(smallWord('as hex', 'none'))
  return row
}
