import { chakra, Flex, Text } from '@chakra-ui/react'
import { countBy } from '@undo-ink/core'
import { type KeyboardEvent, useRef } from 'react'
import { Segments } from '../../components/segments.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { number, shownPath } from '../../components/words.ts'
import type { ChangeGroup } from './rewriting/planned-changes.ts'

export type Order = 'decision' | 'file'
const ORDER_SEGMENTS = (['decision', 'file'] as const).map((value) => ({ value, text: `by ${value}` }))

interface ChangeListProps {
  readonly order: Order
  readonly groups: readonly ChangeGroup[]
  readonly chosen: ChangeGroup | null
  onOrder(order: Order): void
  onChoose(group: ChangeGroup): void
}

/** The changes by decision or by file. One entry is in the tab order; arrows move and choose. */
export function ChangeList({ order, groups, chosen, onOrder, onChoose }: ChangeListProps) {
  const list = useRef<HTMLDivElement>(null)
  const move = (event: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1, Home: -groups.length, End: groups.length }[event.key]
    if (step === undefined || !chosen) return
    event.preventDefault()
    const at = Math.min(groups.length - 1, Math.max(0, groups.indexOf(chosen) + step))
    const next = groups[at]
    if (next) onChoose(next)
    list.current?.querySelectorAll<HTMLElement>('[role=option]')[at]?.focus()
  }
  return (
    <Sheet
      flex={{ base: 'none', lg: '1 0 220px' }}
      maxH={{ base: '260px', lg: 'none' }}
      display="flex"
      flexDirection="column"
      minH="160px"
    >
      <Flex p="2" borderBottomWidth="1px" bg="wash">
        <Segments
          label="Order of the changes"
          segments={ORDER_SEGMENTS}
          value={order}
          height={28}
          wide
          onChoose={onOrder}
        />
      </Flex>
      <Flex
        ref={list}
        role="listbox"
        aria-label={`Changes by ${order}`}
        direction="column"
        flex="1"
        overflow="auto"
        onKeyDown={move}
      >
        {groups.map((group) => {
          const isChosen = group === chosen
          return (
            <chakra.button
              key={group.key}
              type="button"
              role="option"
              aria-selected={isChosen}
              tabIndex={isChosen ? 0 : -1}
              onClick={() => onChoose(group)}
              display="flex"
              alignItems="center"
              gap="2"
              minH="36px"
              px="2.5"
              textAlign="left"
              fontSize="13px"
              borderBottomWidth="1px"
              borderLeft="4px solid"
              borderLeftColor={isChosen ? 'ink' : 'transparent'}
              bg={isChosen ? 'tint' : 'sheet'}
              cursor="pointer"
              _hover={{ bg: 'tint' }}
              _focusVisible={{ outlineOffset: '-2px' }}
            >
              {order === 'decision' ? <DecisionLabel group={group} /> : <FileLabel path={group.key} />}
              <Text ml="auto" fontFamily="mono">
                {number(group.changes.length)}
              </Text>
            </chakra.button>
          )
        })}
      </Flex>
    </Sheet>
  )
}

function DecisionLabel({ group }: { group: ChangeGroup }) {
  const [first] = group.changes
  if (!first) return null
  const was = mostUsed(group)
  if (was === null) return <Text>{first.decision === 'rules' ? 'rules that are added' : 'slips put right'}</Text>
  return (
    <>
      <Flex flex="none">
        <Swatch color={was} size="20px" borderRadius="0" />
        {first.becomes ? <Swatch color={first.becomes.color} size="20px" borderRadius="0" /> : null}
      </Flex>
      <Text minW="0" lineClamp={3} title={`${first.limits}${first.role ?? ''}`}>
        {first.limits}
        {first.role}
      </Text>
    </>
  )
}

function FileLabel({ path }: { path: string }) {
  return (
    <Text fontFamily="mono" truncate title={shownPath(path)}>
      {shownPath(path)}
    </Text>
  )
}

/** The old color of most changes; null: they are slips, which had none. */
function mostUsed({ changes }: ChangeGroup): string | null {
  const counts = countBy(changes, ({ was }) => was?.color ?? null)
  return [...counts].toSorted((a, b) => b[1] - a[1])[0]?.[0] ?? null
}
