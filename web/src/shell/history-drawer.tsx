import { Box, chakra, Drawer, Flex, Input, Portal, Text } from '@chakra-ui/react'
import type { Decision, PlanEvent, Point } from '@undo-ink/core'
import { useState } from 'react'
import { useStore } from 'zustand'
import { ActButton } from '../components/act-button.tsx'
import { count, number, time } from '../components/words.ts'
import { decisionText, insertionText } from '../work/decision-words.ts'
import { shownEvents } from '../work/plan-store.ts'
import { useWork, type Work } from '../work/work.tsx'
import { PlanFile } from './plan-file.tsx'
import { TakeBackWhere } from './take-back-where.tsx'

/** Every act with its time; decisions that still hold can be taken back one by one. */
export function HistoryDrawer({ open, onClose }: { open: boolean; onClose(): void }) {
  return (
    <Drawer.Root open={open} onOpenChange={({ open }) => open || onClose()} size="sm">
      <Portal>
        <Drawer.Backdrop bg="rgb(0 0 0 / .35)" />
        <Drawer.Positioner>
          <Drawer.Content borderRadius="0">
            <Drawer.Header borderBottom="1px solid" borderColor="edge" py="3">
              <Drawer.Title fontSize="16px">History</Drawer.Title>
              <ActButton ml="auto" hotkey="Esc" onClick={onClose}>
                Close
              </ActButton>
            </Drawer.Header>
            <Drawer.Body px="0" py="0">
              <Events />
            </Drawer.Body>
          </Drawer.Content>
        </Drawer.Positioner>
      </Portal>
    </Drawer.Root>
  )
}

function Events() {
  const work = useWork()
  const events = shownEvents(useStore(work.store))
  if (events.length === 0)
    return (
      <Text p="5" color="soft">
        Nothing has been decided yet. Every act will stand here, and can be taken back at any time.
      </Text>
    )
  const { decisions, corrections, insertions } = work.state
  const holding = new Set([...decisions, ...corrections, ...insertions].map(({ id }) => id))
  return (
    <>
      <NamePoint />
      <TakeBackWhere />
      <PlanFile />
      <Box as="ol" listStyleType="none">
        {events.toReversed().map(({ id, seq, at, event }) => {
          const made = madeBy(event)
          const held = made.filter(({ id }) => holding.has(id))
          return (
            <Flex as="li" key={id} px="5" py="2" gap="3" align="center" borderBottom="1px solid" borderColor="edge">
              <Box flex="1" minW="0">
                <Text fontSize="13px">{describe(event, work)}</Text>
                <Text fontSize="12px" color="soft">
                  {time(at)}
                  {made.length > 0 && held.length === 0 ? ' · no longer holds' : ''}
                  {followersText(held, work.state.decisions)}
                </Text>
              </Box>
              {event.kind === 'point' ? (
                <ActButton onClick={() => work.store.act({ kind: 'return', to: seq - 1 })}>Return to it</ActButton>
              ) : null}
              {held.length > 0 ? (
                <ActButton
                  onClick={() => work.store.act({ kind: 'take-back', decisions: held.map((each) => each.id) })}
                >
                  Take back
                </ActButton>
              ) : null}
            </Flex>
          )
        })}
      </Box>
    </>
  )
}

/** Gives the moment a name, to which one can return without losing what came after. */
function NamePoint() {
  const { store } = useWork()
  const [name, setName] = useState('')
  const trimmed = name.trim().slice(0, 80)
  return (
    <chakra.form
      display="flex"
      gap="2"
      alignItems="center"
      px="5"
      py="2"
      fontSize="13px"
      borderBottom="1px solid"
      borderColor="edge"
      onSubmit={(event) => {
        event.preventDefault()
        if (trimmed === '') return
        store.act({ kind: 'point', name: trimmed })
        setName('')
      }}
    >
      <chakra.label htmlFor="point" whiteSpace="nowrap">
        Name this point
      </chakra.label>
      <Input
        id="point"
        value={name}
        onChange={(event) => setName(event.target.value)}
        maxLength={80}
        size="xs"
        fontSize="13px"
        borderColor="strong"
        autoComplete="off"
        placeholder="as shown to the client"
      />
      <ActButton type="submit" h="28px" disabled={trimmed === ''}>
        Name it
      </ActButton>
    </chakra.form>
  )
}

/** The decisions, corrections and insertions that an event makes. */
function madeBy(event: PlanEvent): readonly { readonly id: string }[] {
  switch (event.kind) {
    case 'decide':
      return event.decisions
    case 'correct':
      return event.corrections
    case 'insert':
      return event.insertions
    default:
      return []
  }
}

/** What would be open if some decisions were taken back: all that follows a color of theirs; empty: nothing. */
function followersText(held: readonly { readonly id: string }[], decisions: readonly Decision[]): string {
  const own = decisions.filter(({ id }) => held.some((each) => each.id === id))
  const colors = new Set(own.flatMap(({ target, to }) => (to.kind === 'keep' ? [] : target.colors)))
  const followers = decisions.filter(
    ({ id, to }) => to.kind === 'follow' && colors.has(to.lead) && !own.some((each) => each.id === id),
  )
  return followers.length === 0
    ? ''
    : ` · ${count(followers.length, 'decision follows', 'decisions follow')} it and would be open`
}

/** Slips that are told one by one. */
const MOST_TOLD = 3

function describe(event: PlanEvent, { roles, state }: Work): string {
  switch (event.kind) {
    case 'decide':
      return event.decisions.map((decision) => decisionText(decision, roles)).join('; ')
    case 'correct':
      return event.corrections.length > MOST_TOLD
        ? `${count(event.corrections.length, 'slip')} put right`
        : event.corrections
            .map(({ raw, replacement, path }) => `${raw} put right to ${replacement} in ${path}`)
            .join('; ')
    case 'insert':
      return event.insertions.map((insertion) => insertionText(insertion, roles)).join('; ')
    case 'take-back':
      return `${count(event.decisions.length, 'decision')} taken back`
    case 'tolerance':
      return `Tolerance set to ΔE00 ${number(event.value)}`
    case 'palette':
      return `Palette: version ${event.version}`
    case 'group':
      return event.colors.length === 1
        ? `${event.colors[0]} set apart`
        : `${count(event.colors.length, 'colour')} put together`
    case 'ungroup':
      return `${count(event.colors.length, 'colour')} clustered by tolerance again`
    case 'lead':
      return `${event.color} stands for its cluster`
    case 'return':
      return `Returned to ${pointText(event.to, state.points)}`
    case 'point':
      return `Point: ${event.name}`
    case 'undo':
      return 'Undone: the act before'
    case 'redo':
      return 'Redone'
  }
}

function pointText(to: number, points: readonly Point[]): string {
  return points.find(({ at }) => at === to)?.name ?? (to === 0 ? 'the beginning' : `act ${to}`)
}
