import { Text } from '@chakra-ui/react'
import { readBlocks, splitsOf } from '@undo-ink/core'
import { useMemo } from 'react'
import { useFileTexts } from '../../api/copies.ts'
import { Note } from '../../components/note.tsx'
import { count } from '../../components/words.ts'
import { UNSPLIT_WORDS, UNWRITABLE_WORDS } from '../../work/decision-words.ts'
import { groupBy, type PlaceOf } from '../../work/places.ts'
import { useWork } from '../../work/work.tsx'
import { partlyDecided } from './changes.ts'

/** One that was decided in part and stays as it came. */
interface Unwritten {
  readonly place: PlaceOf
  readonly why: string
}

const MOST_TOLD = 6

/** What was decided for a part of a place and cannot be written, each with its reason. */
export function UnwrittenParts() {
  const { places, state, resolver } = useWork()
  const own = useMemo(() => partlyDecided(places, state.decisions), [places, state.decisions])
  const split = useMemo(() => own.filter((place) => resolver.pieces(place).length > 0), [own, resolver])
  const texts = useFileTexts([...new Set(split.map(({ fileId }) => fileId))])
  const unwritten = useMemo((): Unwritten[] => {
    const beforehand = own.flatMap((place) => {
      const reached = resolver.reached(place)
      // What a decision for all of the place wins over asks for no rule.
      return reached
        .slice(reached.findLastIndex(({ reach }) => reach.kind === 'all') + 1)
        .flatMap(({ reach }) => (reach.kind === 'unwritable' ? [{ place, why: UNWRITABLE_WORDS[reach.why] }] : []))
    })
    const found = [...groupBy(split, ({ path }) => path)].flatMap(([path, inFile]) => {
      const file = texts.get(path)
      if (!file) return []
      const { text } = file
      const { unsplit } = splitsOf(text, inFile, resolver, () => readBlocks({ path, text, encoding: 'utf-8' }))
      return unsplit.map(({ occurrence, why }) => ({ place: occurrence, why: UNSPLIT_WORDS[why] }))
    })
    return [...beforehand, ...found]
  }, [own, split, texts, resolver])
  if (unwritten.length === 0) return null
  return (
    <Note shape="▲" title={`${count(unwritten.length, 'place')} could not be parted`}>
      A decision for a part of what they paint may be meant for them, too. They stay as they are:
      {[...groupBy(unwritten, ({ why }) => why)].map(([why, some]) => (
        <Text key={why} mt="1">
          <b>{why}</b>:{' '}
          <Text as="span" fontFamily="mono">
            {some
              .slice(0, MOST_TOLD)
              .map(({ place }) => `${place.path}:${place.line}`)
              .join(', ')}
          </Text>
          {some.length > MOST_TOLD ? ` and ${some.length - MOST_TOLD} more` : ''}
        </Text>
      ))}
    </Note>
  )
}
