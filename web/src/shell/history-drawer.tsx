import { Box, chakra, Drawer, Input, Portal, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useStore } from 'zustand'
import { ActButton } from '../components/act-button.tsx'
import { shownEvents } from '../work/plan-store.ts'
import { usePlan, useWork } from '../work/work.tsx'
import { HistoryAct } from './history-act.tsx'
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
            <Drawer.Header borderBottomWidth="1px" py="3">
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
  const { decisions, corrections, insertions } = work.state
  const holding = new Set([...decisions, ...corrections, ...insertions].map(({ id }) => id))
  return (
    <>
      {events.length > 0 ? <NamePoint /> : null}
      {events.length > 0 ? <TakeBackWhere /> : null}
      <PlanFile />
      {events.length === 0 ? (
        <Text p="5" color="soft">
          Nothing has been decided yet. Every act will stand here, and can be taken back at any time.
        </Text>
      ) : null}
      <Box as="ol" listStyleType="none">
        {events.toReversed().map((recorded) => (
          <HistoryAct key={recorded.id} recorded={recorded} holding={holding} />
        ))}
      </Box>
    </>
  )
}

/** Gives the moment a name, to which one can return without losing what came after. */
function NamePoint() {
  const { store } = usePlan()
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
      borderBottomWidth="1px"
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
        autoComplete="off"
        placeholder="as shown to the client"
      />
      <ActButton type="submit" h="28px" disabled={trimmed === ''}>
        Name it
      </ActButton>
    </chakra.form>
  )
}
