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
  const offers = SURENESS.map(({ name, from }) => ({
    name,
    found: open.map((row) => ({
      row,
      taken: (all.get(row.cluster.lead) ?? []).filter(({ sureness }) => sureness >= from),
    })),
  }))
  const sizes = offers.map(({ found }) => found.reduce((sum, { taken }) => sum + taken.length, 0))
  const most = Math.max(...sizes)
  if (most === 0) return null
  return (
    <PopupButton label={count(most, 'suggestion')} width="280px">
      {() => (
        <Flex direction="column" gap="2" fontSize="13px">
          <Text color="soft">From what the colours are used for; each says why beside its cluster.</Text>
          {offers.map(({ name, found }, i) =>
            // One that takes all, or nothing, is no choice.
            name !== 'possible' && (sizes[i] === 0 || sizes[i] === most) ? null : (
              <ActButton
                key={name}
                h="28px"
                onClick={() =>
                  store.act({
                    kind: 'decide',
                    decisions: found.flatMap(({ row, taken }) => decisionsFor(row, taken, () => crypto.randomUUID())),
                  })
                }
              >
                {name === 'possible'
                  ? `Take all ${sizes[i]}`
                  : `Take the ${sizes[i]} that are ${name === 'sure' ? 'sure' : 'likely or sure'}`}
              </ActButton>
            ),
          )}
        </Flex>
      )}
    </PopupButton>
  )
}
