import { Flex, Text } from '@chakra-ui/react'
import { useStore } from 'zustand'
import { ActButton } from '../components/act-button.tsx'
import { eventText } from '../work/event-words.ts'
import { canFollow, type Meanwhile } from '../work/plan-store.ts'
import { useLeaving } from '../work/use-leaving.ts'
import { useWork, type Work } from '../work/work.tsx'

/** Says when an act could not be recorded, and what can be done; and when somebody wants to leave before all is. */
export function TroubleBar() {
  const work = useWork()
  const { store } = work
  const { trouble, pending } = useStore(store)
  const leave = useLeaving()
  if (!trouble && !leave) return null
  return (
    <Flex role="alert" bg="ink" color="sheet" px="4" py="2" gap="3" align="center" fontSize="13px">
      <span aria-hidden>▲</span>
      <Text flex="1">
        <b>{trouble?.title ?? 'Still saving'}.</b> {trouble?.detail}
        {pending.length > 0 ? ` Not yet saved: ${pending.length}.` : ''}
        {trouble?.meanwhile ? meanwhileText(trouble.meanwhile, work) : ''}
      </Text>
      {leave ? <ActButton onClick={leave}>Leave without saving</ActButton> : null}
      {trouble?.meanwhile?.here.some(canFollow) ? <ActButton onClick={store.again}>Do it after that</ActButton> : null}
      {trouble ? (
        <ActButton onClick={trouble.waiting ? store.retry : store.dismiss}>
          {trouble.waiting ? 'Try again' : 'Understood'}
        </ActButton>
      ) : null}
    </Flex>
  )
}

/** Acts that are told of each window. */
const MOST_TOLD = 3

/** What was done there, the latest last, and what was not done here. */
function meanwhileText({ there, here }: Meanwhile, { roles, state }: Work): string {
  const told = (texts: readonly string[]) =>
    `${texts.length > MOST_TOLD ? `${texts.length - MOST_TOLD} more; ` : ''}${texts.slice(-MOST_TOLD).join('; ')}`
  const undone = here.map((item) =>
    item.kind === 'palette' ? 'a change of the palette' : eventText(item.event, roles, state.points),
  )
  const done = there.map((event) => eventText(event, roles, state.points))
  return `${done.length > 0 ? `There: ${told(done)}. ` : ''}Not recorded here: ${told(undone)}.`
}
