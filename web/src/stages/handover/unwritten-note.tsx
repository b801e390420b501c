import { Text } from '@chakra-ui/react'
import { UNWRITTEN_WORDS } from '@undo-ink/contracts'
import { groupBy } from '@undo-ink/core'
import { Note } from '../../components/note.tsx'
import { count, shownPath } from '../../components/words.ts'
import type { UnwrittenPlace } from './rewriting/rewrite-site.ts'

const MOST_TOLD = 6

/** What was decided and is not written, or not as it was decided, each with its reason. */
export function UnwrittenNote({ unwritten }: { unwritten: readonly UnwrittenPlace[] }) {
  if (unwritten.length === 0) return null
  return (
    <Note shape="▲" title={`${count(unwritten.length, 'decided place')} not written, or not as decided`}>
      They stay as they are, wholly or in part:
      {[...groupBy(unwritten, ({ why }) => why)].map(([why, some]) => (
        <Text key={why} mt="1">
          <b>{UNWRITTEN_WORDS[why]}</b>:{' '}
          <Text as="span" fontFamily="mono">
            {some
              .slice(0, MOST_TOLD)
              .map(({ path, line }) => (line === null ? shownPath(path) : `${shownPath(path)}:${line}`))
              .join(', ')}
          </Text>
          {some.length > MOST_TOLD ? ` and ${some.length - MOST_TOLD} more` : ''}
        </Text>
      ))}
    </Note>
  )
}
