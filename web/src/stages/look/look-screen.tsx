import { Flex } from '@chakra-ui/react'
import type { Visit } from '@undo-ink/contracts'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { useStore } from 'zustand'
import { useVisit } from '../../api/copies.ts'
import { Choice } from '../../components/choice.tsx'
import { Loading } from '../../components/loading.tsx'
import { Note } from '../../components/note.tsx'
import { Segments } from '../../components/segments.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { count, number } from '../../components/words.ts'
import { useWork } from '../../work/work.tsx'
import { PageFrame } from './page-frame.tsx'
import { useFramePair } from './use-frame-pair.ts'

/** The site's pages as visitors see them, before and after, side by side. */
export function LookScreen() {
  const { snapshot } = useWork()
  const { data: visit, error } = useVisit(snapshot.planId)
  if (error)
    return (
      <Note shape="▲" title="The pages cannot be shown">
        {error.message}
      </Note>
    )
  if (!visit) return <Loading />
  if (visit.pages.length === 0)
    return (
      <>
        <StageHead title="Look" sentence="This copy holds no HTML page that could be shown." />
        <Note shape="◆" title="No pages">
          Stylesheets alone have nothing to paint. The Ledger and the changes in Handover show what becomes of each
          colour.
        </Note>
      </>
    )
  return <Pages visit={visit} />
}

/** Pixels of the window that the page believes to have. */
const WIDTHS = { wide: 1280, narrow: 390 } as const
type Width = keyof typeof WIDTHS
const WIDTH_SEGMENTS = (Object.keys(WIDTHS) as Width[]).map((value) => ({ value, text: `${value} ${WIDTHS[value]}` }))

function Pages({ visit }: { visit: Visit }) {
  const { store, places, standing } = useWork()
  const version = useStore(store, ({ plan }) => plan.version)
  const [params] = useSearchParams()
  const named = params.get('page')
  const [page, setPage] = useState(visit.pages.find((path) => path === named) ?? visit.pages[0] ?? '')
  // Choosing the page that the frames once began with must lead back to it from wherever links have led.
  const [turn, setTurn] = useState(0)
  const [width, setWidth] = useState<Width>('wide')
  const pair = useFramePair(visit, `/${page}`, version)
  const shown = decodeURIComponent(pair.path).replace(/^\//, '')
  return (
    <Flex direction="column" h="100%" minH="480px">
      <StageHead
        title="Look"
        sentence={`${count(visit.pages.length, 'page')}, as received and with ${number(standing.toRole + standing.kept)} of ${count(places.length, 'place')} decided. The site's own scripts and outside addresses are switched off here.`}
      >
        <Choice
          label="Page"
          value={visit.pages.includes(shown) ? shown : page}
          options={visit.pages.map((path) => [path, path])}
          onChoose={(path) => {
            setPage(path)
            setTurn(turn + 1)
          }}
        />
        <Segments
          label="Width of the window"
          segments={WIDTH_SEGMENTS}
          value={width}
          onChoose={(next) => setWidth(next)}
        />
      </StageHead>
      <Flex flex="1" minH="0" gap="4">
        <PageFrame
          key={`before ${turn}`}
          title="Before"
          note="as received"
          frame={pair.before}
          src={`${visit.before}/${page}`}
          width={WIDTHS[width]}
          onLoad={pair.greet}
        />
        <PageFrame
          key={`after ${turn}`}
          title="After"
          note="as decided now"
          frame={pair.after}
          src={`${visit.after}/${page}`}
          width={WIDTHS[width]}
          onLoad={pair.greet}
        />
      </Flex>
    </Flex>
  )
}
