import { Flex, Text } from '@chakra-ui/react'
import type { OpaqueKey, Suggestion } from '@undo-ink/core'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { count } from '../../components/words.ts'
import { useWork } from '../../work/work.tsx'
import { decisionsFor, SURENESS } from './suggesting.ts'

/** Takes every suggestion for what is open, from a sureness on, as one act. */
export function TakeSuggestions({ all }: { all: ReadonlyMap<OpaqueKey, readonly Suggestion[]> }) {
  const { rows, store } = useWork()
  const open = rows.filter((row) => row.open === row.count)
  const above = (from: number) =>
    open.flatMap((row) => {
      const taken = (all.get(row.cluster.lead) ?? []).filter(({ sureness }) => sureness >= from)
      return taken.length > 0 ? [{ row, taken }] : []
    })
  const any = above(0)
  if (any.length === 0) return null
  return (
    <PopupButton label={`${count(any.length, 'suggestion')}`} width="280px">
      {() => (
        <Flex direction="column" gap="2" fontSize="13px">
          <Text color="soft">From what the colours are used for; each says why beside its cluster.</Text>
          {SURENESS.map(({ name, from }) => {
            const found = above(from)
            return (
              <ActButton
                key={name}
                h="28px"
                disabled={found.length === 0}
                onClick={() =>
                  store.act({
                    kind: 'decide',
                    decisions: found.flatMap(({ row, taken }) => decisionsFor(row, taken, () => crypto.randomUUID())),
                  })
                }
              >
                {name === 'possible'
                  ? `Take all ${found.length}`
                  : `Take the ${found.length} that are ${name === 'sure' ? 'sure' : 'likely or sure'}`}
              </ActButton>
            )
          })}
        </Flex>
      )}
    </PopupButton>
  )
}
