import { Text } from '@chakra-ui/react'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { Note } from '../components/note.tsx'
import { count } from '../components/words.ts'
import type { Judgement, PairChange } from './consequence.ts'
import type { Judged } from './use-judged.ts'
import { type PagesSeen, useSeen } from './use-seen.ts'

/** What could be seen or read before and could not be after an act: in the same words wherever something is decided. */
export function Warnings({ judgement, isCurrent }: Judged<Judgement>) {
  const { vanishing, dimmed, lost } = useMet(judgement ?? NOTHING)
  const isLate = useLate(isCurrent)
  return (
    <>
      {isLate ? (
        <Text role="status" color="soft">
          What meets is being judged …
        </Text>
      ) : null}
      {vanishing[0] ? (
        <Note shape="▲" title="Text would vanish">
          <Subject text={vanishing[0].subject} /> would have text and ground of nearly one colour
          {vanishing.length > 1 ? `, and ${count(vanishing.length - 1, 'other rule')} too` : ''}.
        </Note>
      ) : null}
      {dimmed[0] ? (
        <Note shape="▲" title="Text would be hard to read">
          <Subject text={dimmed[0].subject} />: contrast {dimmed[0].before.ratio.toFixed(1)} becomes{' '}
          {dimmed[0].after.ratio.toFixed(1)}
          {dimmed.length > 1 ? `, and ${count(dimmed.length - 1, 'other pair')} fall under 4.5 too` : ''}.
        </Note>
      ) : null}
      {lost.length > 0 ? <Lost lost={lost} /> : null}
    </>
  )
}

const NOTHING: Judgement = { worst: null, vanishing: [], dimmed: [], lost: [] }

/** Milliseconds after which a judgement that does not come is told of: mostly it is there before anybody could read that. */
const LATE = 300

function useLate(isCurrent: boolean): boolean {
  const [isLate, setLate] = useState(false)
  useEffect(() => {
    if (isCurrent) return
    const timer = setTimeout(() => setLate(true), LATE)
    return () => {
      clearTimeout(timer)
      setLate(false)
    }
  }, [isCurrent])
  return isLate
}

/** A judgement without pairs of which the pages show that no element has both: nobody sees them. */
function useMet<J extends Judgement>(judgement: J): J {
  const seen = useSeen([...judgement.vanishing, ...judgement.dimmed].some(isOfTwoRules))
  return useMemo(() => withMet(judgement, seen), [judgement, seen])
}

/** The same for judgements that are yet to be made. */
export function useMeeting(): (judgement: Judgement) => Judgement {
  const seen = useSeen(true)
  return useCallback((judgement) => withMet(judgement, seen), [seen])
}

function withMet<J extends Judgement>(judgement: J, seen: PagesSeen | null): J {
  if (!seen?.isWhole) return judgement
  const met = (pairs: readonly PairChange[]) => pairs.filter((pair) => isMet(pair, seen))
  return { ...judgement, vanishing: met(judgement.vanishing), dimmed: met(judgement.dimmed) }
}

function isOfTwoRules({ selectors: [text, ground] }: PairChange): boolean {
  return text !== ground
}

function isMet(pair: PairChange, seen: PagesSeen): boolean {
  const [text, ground] = pair.selectors
  return !isOfTwoRules(pair) || !text || !ground || seen.together([text, ground])
}

function Subject({ text }: { text: string }) {
  return (
    <Text as="span" fontFamily="mono">
      {text}
    </Text>
  )
}

function Lost({ lost }: { lost: Judgement['lost'] }) {
  const [first] = lost
  if (!first) return null
  const isState = first.kind === 'state-like-rest'
  return (
    <Note shape="▲" title={isState ? 'A state would look like rest' : 'A line would be lost in its ground'}>
      <Subject text={first.subject} />{' '}
      {isState ? `would not change any more: ${first.state}` : 'would have line and ground of one colour'}
      {lost.length > 1 ? `, and ${count(lost.length - 1, 'other')} too` : ''}.
    </Note>
  )
}
