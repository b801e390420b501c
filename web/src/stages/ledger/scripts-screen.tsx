import { Flex, Text } from '@chakra-ui/react'
import { type Behavior, parseColor, type Trigger } from '@undo-ink/core'
import { StageHead } from '../../components/stage-head.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { count, shownPath } from '../../components/words.ts'
import type { InFile } from '../../work/places.ts'
import { useCopy } from '../../work/work.tsx'

/** What scripts do to colors and classes while a visitor scrolls, points, focuses, presses or clicks. */
export function ScriptsScreen() {
  const { behaviors } = useCopy()
  const scrolling = behaviors.filter(({ trigger }) => trigger === 'scroll').length
  return (
    <Flex direction="column" h="100%" minH="420px">
      <StageHead
        title="Scripts"
        sentence={`${count(behaviors.length, 'time')} a script changes a colour or a class while a visitor acts, ${scrolling} of them while the page scrolls.`}
      />
      <VirtualTable
        label="What scripts do"
        items={behaviors}
        columns={COLUMNS}
        maxHeight="100%"
        minWidth="1040px"
        empty={
          <Text p="4" color="soft" fontSize="13px">
            No script of this copy changes a colour or a class while a visitor acts.
          </Text>
        }
      />
    </Flex>
  )
}

type Doing = InFile<Behavior>

const COLUMNS: readonly Column<Doing>[] = [
  { head: 'Element', mono: true, cell: elementOf, title: elementOf },
  { head: 'When', width: '190px', cell: whenText },
  { head: 'Changes', width: '180px', mono: true, cell: whatOf, title: whatOf },
  { head: 'Before', width: '150px', mono: true, cell: (doing) => <Value {...sidesOf(doing).before} /> },
  { head: 'Then', width: '150px', mono: true, cell: (doing) => <Value {...sidesOf(doing).after} /> },
  { head: 'Place', width: '190px', mono: true, path: true, cell: placeOf, title: placeOf },
]

function elementOf({ element }: Doing): string {
  return element ?? 'not to be read'
}

const WHEN: Readonly<Record<Trigger, string>> = {
  scroll: 'while the page scrolls',
  hover: 'pointed at',
  focus: 'in focus',
  press: 'pressed',
  click: 'at each click',
}

function whenText({ trigger, threshold }: Doing): string {
  return threshold === null ? WHEN[trigger] : `scrolled past ${threshold} px`
}

function whatOf(doing: Doing): string {
  return doing.kind === 'class' ? `class ${doing.className}` : doing.property
}

interface Side {
  readonly text: string
  readonly color: string | null
}

function sidesOf(doing: Doing): { readonly before: Side; readonly after: Side } {
  const word = (text: string): Side => ({ text, color: null })
  if (doing.kind === 'recolor') {
    const side = (value: string | null): Side =>
      value === null || value === ''
        ? word(value === '' ? 'as the sheets say' : '–')
        : { text: value, color: parseColor(value) ? value : null }
    return { before: side(doing.below), after: side(doing.above) }
  }
  if (doing.change === 'toggle') return { before: word('with or without'), after: word('the other') }
  const [without, with_] = [word('without'), word('with')]
  return doing.change === 'add' ? { before: without, after: with_ } : { before: with_, after: without }
}

function Value({ text, color }: Side) {
  return (
    <Flex align="center" gap="2" minW="0" title={text}>
      {color === null ? null : <Swatch color={color} size="14px" />}
      <Text as="span" truncate>
        {text}
      </Text>
    </Flex>
  )
}

function placeOf({ path, line }: Doing): string {
  return `${shownPath(path)}:${line}`
}
