import { Flex } from '@chakra-ui/react'
import { ActButton } from '../../components/act-button.tsx'
import type { Row } from '../../work/standing.ts'
import { ByHand } from './by-hand.tsx'
import type { Acts } from './cluster-list.tsx'
import { Family } from './family.tsx'
import { Otherwise } from './otherwise.tsx'

interface RowActsProps {
  readonly rows: readonly Row[]
  readonly acts: Acts
  /** Whether there is little room: then in one line what else takes three. */
  readonly isShort: boolean
}

/** What can be done with the selected rows beside giving them a role. */
export function RowActs({ rows, acts, isShort }: RowActsProps) {
  const row = rows.length === 1 ? (rows[0] ?? null) : null
  return (
    <Flex direction="column" gap="2" flex="none" px="4" py="3" borderTopWidth="1px">
      {row ? (
        <>
          {isShort ? null : <Family row={row} />}
          <Flex gap="2" wrap="wrap">
            <Otherwise row={row} onGive={acts.give} />
            {row.use === null ? <ByHand row={row} /> : null}
            <ActButton
              h={isShort ? '26px' : '32px'}
              flex={isShort ? '1' : '1 1 100%'}
              px={isShort ? '2' : '3'}
              justifyContent="space-between"
              hotkey="S"
              onClick={() => acts.scope(row)}
            >
              Only some places …
            </ActButton>
          </Flex>
        </>
      ) : null}
      <Flex gap="2">
        <ActButton
          flex="1"
          px="2"
          justifyContent="space-between"
          hotkey="K"
          onClick={() => acts.give({ kind: 'keep' })}
        >
          Keep it
        </ActButton>
        <ActButton
          flex="1"
          px="2"
          justifyContent="space-between"
          hotkey="O"
          disabled={rows.every((each) => each.open === each.count)}
          onClick={acts.leaveOpen}
        >
          Leave it open
        </ActButton>
      </Flex>
    </Flex>
  )
}
