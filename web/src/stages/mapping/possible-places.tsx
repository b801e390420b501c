import { Flex } from '@chakra-ui/react'
import { Link } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { Note } from '../../components/note.tsx'
import { are, count } from '../../components/words.ts'
import { confirming } from '../../work/confirming.ts'
import type { Row } from '../../work/standing.ts'
import { useCopy, usePlan } from '../../work/work.tsx'
import { placesPath } from '../ledger/paths.ts'

/** Places of some rows that are only possibly colours: they take nothing until somebody confirms them. */
export function PossiblePlaces({ rows, number }: { rows: readonly Row[]; number: number }) {
  const { places, site } = useCopy()
  const { resolver, store } = usePlan()
  const lead = rows[0]?.cluster.lead ?? ''
  const confirm = () => {
    const possible = rows.flatMap(({ indices }) =>
      places.some(indices).filter((place) => resolver.outcome(place).kind === 'possible'),
    )
    store.act(confirming(possible))
  }
  return (
    <Note shape="◆" title={`${count(number, 'place')} ${are(number)} only possibly a colour`}>
      Nothing there says that it is one: it takes nothing until you confirm it.
      <Flex gap="2" mt="2">
        <ActButton h="28px" onClick={confirm}>
          {number === 1 ? 'It is a colour' : 'They are colours'}
        </ActButton>
        {rows.length === 1 ? (
          <ActButton h="28px" asChild>
            <Link to={placesPath(site.id, { typed: lead, chosen: { confidence: ['possible'] } })}>
              See {number === 1 ? 'it' : 'them'}
            </Link>
          </ActButton>
        ) : null}
      </Flex>
    </Note>
  )
}
