import { Flex, Text } from '@chakra-ui/react'
import type { Visit } from '@undo-ink/contracts'
import { useState } from 'react'
import { useStore } from 'zustand'
import { useVisit } from '../../api/copies.ts'
import { Choice } from '../../components/choice.tsx'
import { Loading } from '../../components/loading.tsx'
import { useWork } from '../../work/work.tsx'
import { PageFrame } from '../look/page-frame.tsx'
import { useFramePair } from '../look/use-frame-pair.ts'

/** A page of the site as the plan has it, painted anew with every act. */
export function PageBeside() {
  const { snapshot } = useWork()
  const { data: visit, error } = useVisit(snapshot.planId)
  if (error) return <Text fontSize="13px">The pages cannot be shown: {error.message}</Text>
  if (!visit) return <Loading />
  if (visit.pages.length === 0) return <Text fontSize="13px">This copy holds no HTML page that could be shown.</Text>
  return <Page visit={visit} />
}

/** Pixels of the window that the page believes to have. */
const WINDOW = 1100

function Page({ visit }: { visit: Visit }) {
  const { store } = useWork()
  const version = useStore(store, ({ plan }) => plan.version)
  const [page, setPage] = useState(visit.pages[0] ?? '')
  const { after, path, greet } = useFramePair(visit, `/${page}`, version)
  const shown = decodeURIComponent(path).replace(/^\//, '')
  return (
    <Flex direction="column" gap="2" flex="1" minH="0">
      <Choice
        label="Page"
        value={visit.pages.includes(shown) ? shown : page}
        options={visit.pages.map((each) => [each, each])}
        onChoose={setPage}
      />
      <PageFrame
        key={page}
        title="The page"
        note="as decided now"
        frame={after}
        src={`${visit.after}/${page}`}
        width={WINDOW}
        onLoad={greet}
      />
    </Flex>
  )
}
