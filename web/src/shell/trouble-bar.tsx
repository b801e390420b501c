import { Flex, Text } from '@chakra-ui/react'
import { useStore } from 'zustand'
import { ActButton } from '../components/act-button.tsx'
import { useWork } from '../work/work.tsx'

/** Says when an act could not be recorded, and what can be done. */
export function TroubleBar() {
  const { store } = useWork()
  const { trouble, pending } = useStore(store)
  if (!trouble) return null
  return (
    <Flex role="alert" bg="ink" color="sheet" px="4" py="2" gap="3" align="center" fontSize="13px">
      <span aria-hidden>▲</span>
      <Text flex="1">
        <b>{trouble.title}.</b> {trouble.detail}
        {trouble.waiting ? ` Not yet saved: ${pending.length}.` : ''}
      </Text>
      <ActButton onClick={trouble.waiting ? store.retry : store.dismiss}>
        {trouble.waiting ? 'Try again' : 'Understood'}
      </ActButton>
    </Flex>
  )
}
