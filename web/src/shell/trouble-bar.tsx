import { Flex, Text } from '@chakra-ui/react'
import { useStore } from 'zustand'
import { ActButton } from '../components/act-button.tsx'
import { useJudging } from '../judging/judge-provider.tsx'
import { eventText } from '../work/event-words.ts'
import { canFollow, type Meanwhile, type Pending } from '../work/plan-store.ts'
import type { Stopped } from '../work/stopped.ts'
import { useLeaving } from '../work/use-leaving.ts'
import { useWork, type Work } from '../work/work.tsx'

/** Says when an act could not be recorded, and what can be done; and when somebody wants to leave before all is. */
export function TroubleBar() {
  const work = useWork()
  const { store } = work
  const { trouble, pending } = useStore(store)
  const leave = useLeaving()
  const judging = useJudging()
  const stopped = work.stopped ?? judging.stopped
  if (!trouble && !leave) return stopped ? <StoppedBar stopped={stopped} /> : null
  return (
    <Flex role="alert" bg="ink" color="sheet" px="4" py="2" gap="3" align="center" fontSize="13px">
      <span aria-hidden>▲</span>
      <Text flex="1">
        <b>{trouble?.title ?? 'Still saving'}.</b> {trouble?.detail}
        {pending.length > 0 ? ` Not yet saved: ${pending.length}.` : ''}
        {trouble?.waiting && pending[0] ? ` First: ${actText(pending[0], work)}.` : ''}
        {trouble?.meanwhile ? meanwhileText(trouble.meanwhile, work) : ''}
      </Text>
      {leave ? <ActButton onClick={leave}>Leave without saving</ActButton> : null}
      {trouble?.meanwhile?.here.some(canFollow) ? <ActButton onClick={store.again}>Do it after that</ActButton> : null}
      {trouble?.waiting && pending.length > 0 ? (
        <ActButton onClick={store.leaveOut}>{pending.length > 1 ? 'Give up the first' : 'Give it up'}</ActButton>
      ) : null}
      {trouble ? (
        <ActButton onClick={trouble.waiting ? store.retry : store.dismiss}>
          {trouble.waiting ? 'Try again' : 'Understood'}
        </ActButton>
      ) : null}
    </Flex>
  )
}

/** Something that the screen waits for will not come by itself. */
function StoppedBar({ stopped: { what, message, again } }: { stopped: Stopped }) {
  return (
    <Flex role="alert" bg="ink" color="sheet" px="4" py="2" gap="3" align="center" fontSize="13px">
      <span aria-hidden>▲</span>
      <Text flex="1">
        <b>{what}.</b> {message} Every decision is saved.
      </Text>
      <ActButton onClick={again}>Try again</ActButton>
    </Flex>
  )
}

/** Acts that are told of each window. */
const MOST_TOLD = 3

/** What was done there, the latest last, and what was not done here. */
function meanwhileText({ there, here }: Meanwhile, work: Work): string {
  const { roles, state } = work
  const told = (texts: readonly string[]) =>
    `${texts.length > MOST_TOLD ? `${texts.length - MOST_TOLD} more; ` : ''}${texts.slice(-MOST_TOLD).join('; ')}`
  const undone = here.map((item) => actText(item, work))
  const done = there.map((event) => eventText(event, roles, state.points))
  return `${done.length > 0 ? `There: ${told(done)}. ` : ''}Not recorded here: ${told(undone)}.`
}

function actText(item: Pending, { roles, state }: Work): string {
  return item.kind === 'palette' ? 'a change of the palette' : eventText(item.event, roles, state.points)
}
