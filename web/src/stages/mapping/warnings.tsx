import { Text } from '@chakra-ui/react'
import { Note } from '../../components/note.tsx'
import { count } from '../../components/words.ts'
import type { Consequence } from './consequence.ts'

/** What could be seen before and could not be after a decision, said before it is made. */
export function Warnings({ consequence: { vanishing, lost } }: { consequence: Consequence }) {
  return (
    <>
      {vanishing.length > 0 ? (
        <Note shape="▲" title="Text would vanish">
          <Text as="span" fontFamily="mono">
            {vanishing[0]?.subject}
          </Text>{' '}
          would have text and ground of nearly one colour
          {vanishing.length > 1 ? `, and ${count(vanishing.length - 1, 'other rule')} too` : ''}.
        </Note>
      ) : null}
      {lost.length > 0 ? <Lost lost={lost} /> : null}
    </>
  )
}

function Lost({ lost }: { lost: Consequence['lost'] }) {
  const [first] = lost
  if (!first) return null
  const isState = first.kind === 'state-like-rest'
  return (
    <Note shape="▲" title={isState ? 'A state would look like rest' : 'A line would be lost in its ground'}>
      <Text as="span" fontFamily="mono">
        {first.subject}
      </Text>{' '}
      {isState ? `would not change any more: ${first.state}` : 'would have line and ground of one colour'}
      {lost.length > 1 ? `, and ${count(lost.length - 1, 'other')} too` : ''}.
    </Note>
  )
}
