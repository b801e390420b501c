import { Text } from '@chakra-ui/react'
import { Note } from '../../components/note.tsx'
import { count, shownPath } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'
import { useCopy } from '../../work/work.tsx'

/** Sheets that pages load, that are left out, and in which colours of some rows stand: there nothing will change. */
export function LeftOutColors({ rows }: { rows: readonly Row[] }) {
  const { sitePages } = useCopy()
  const members = new Set(rows.flatMap(({ cluster }) => cluster.members))
  const holding = sitePages.leftOut.filter(({ colors }) => colors.some((color) => members.has(color)))
  const [first] = holding
  if (!first) return null
  const pages = new Set(holding.flatMap((sheet) => sheet.pages)).size
  return (
    <Note shape="▲" title={`${count(pages, 'page')} will still show it`}>
      It stands in{' '}
      <Text as="span" fontFamily="mono">
        {shownPath(first.path)}
      </Text>
      {holding.length > 1 ? ` and ${count(holding.length - 1, 'other sheet')}` : ''} too, which{' '}
      {holding.length > 1 ? 'are' : 'is'} left out.
    </Note>
  )
}
