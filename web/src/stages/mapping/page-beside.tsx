import { Flex, Text } from '@chakra-ui/react'
import type { Visit } from '@undo-ink/contracts'
import { addressOf, pathAt } from '@undo-ink/core'
import { useState } from 'react'
import { useVisit } from '../../api/copies.ts'
import { Choice } from '../../components/choice.tsx'
import { Loading } from '../../components/loading.tsx'
import { shownPages } from '../../work/shown-pages.ts'
import { useReached } from '../../work/use-reached.ts'
import { useCopy } from '../../work/work.tsx'
import { PageFrame } from '../look/page-frame.tsx'
import { useFramePair } from '../look/use-frame-pair.ts'

/** A page of the site as the plan has it, painted anew with every act. */
export function PageBeside() {
  const { snapshot, sitePages } = useCopy()
  const { data: visit, error } = useVisit(snapshot.planId)
  if (error) return <Text fontSize="13px">The pages cannot be shown: {error.message}</Text>
  if (!visit) return <Loading />
  const pages = shownPages(sitePages)
  if (pages.length === 0) return <Text fontSize="13px">This copy holds no page that could be shown.</Text>
  return <Page visit={visit} pages={pages} />
}

/** Pixels of the window that the page believes to have. */
const WINDOW = 1100

function Page({ visit, pages }: { visit: Visit; pages: readonly string[] }) {
  const reached = useReached()
  const [page, setPage] = useState(pages[0] ?? '')
  const { after, path, greet } = useFramePair(visit, addressOf(page), reached)
  const shown = pathAt(path)
  return (
    <Flex direction="column" gap="2" flex="1" minH="0">
      <Choice
        label="Page"
        value={pages.includes(shown) ? shown : page}
        options={pages.map((each) => [each, each])}
        onChoose={setPage}
      />
      <PageFrame
        key={page}
        title="The page"
        note="as decided now"
        frame={after}
        src={visit.after + addressOf(page)}
        width={WINDOW}
        onLoad={greet}
      />
    </Flex>
  )
}
