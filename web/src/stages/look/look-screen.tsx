import { Flex } from '@chakra-ui/react'
import type { Visit } from '@undo-ink/contracts'
import { addressOf, decidedIn, pathAt } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { useVisit } from '../../api/copies.ts'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { Loading } from '../../components/loading.tsx'
import { Note } from '../../components/note.tsx'
import { Segments } from '../../components/segments.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { are, count, number, shownPath } from '../../components/words.ts'
import { shownPages } from '../../work/shown-pages.ts'
import { useReached } from '../../work/use-reached.ts'
import { useCopy, usePlan } from '../../work/work.tsx'
import { PageFrame } from './page-frame.tsx'
import { useFramePair } from './use-frame-pair.ts'

/** The site's pages as visitors see them, before and after, side by side. */
export function LookScreen() {
  const { snapshot, sitePages } = useCopy()
  const { data: visit, error } = useVisit(snapshot.planId)
  const pages = useMemo(() => shownPages(sitePages), [sitePages])
  if (error)
    return (
      <Note shape="▲" title="The pages cannot be shown">
        {error.message}
      </Note>
    )
  if (!visit) return <Loading />
  if (pages.length === 0)
    return (
      <>
        <StageHead title="Look" sentence="This copy holds no page that could be shown." />
        <Note shape="◆" title="No pages">
          Stylesheets alone have nothing to paint. The Ledger and the changes in Handover show what becomes of each
          colour.
        </Note>
      </>
    )
  return <Pages visit={visit} pages={pages} />
}

/** Pixels of the window that the page believes to have. */
const WIDTHS = { wide: 1280, narrow: 390 } as const
type Width = keyof typeof WIDTHS
const WIDTH_SEGMENTS = (Object.keys(WIDTHS) as Width[]).map((value) => ({ value, text: `${value} ${WIDTHS[value]}` }))

function Pages({ visit, pages }: { visit: Visit; pages: readonly string[] }) {
  const { places, sitePages } = useCopy()
  const { standing } = usePlan()
  const reached = useReached()
  const [params] = useSearchParams()
  const named = params.get('page')
  const [page, setPage] = useState(pages.find((path) => path === named) ?? pages[0] ?? '')
  // Choosing the page that the frames once began with must lead back to it from wherever links have led.
  const [turn, setTurn] = useState(0)
  const [width, setWidth] = useState<Width>('wide')
  const pair = useFramePair(visit, addressOf(page), reached)
  const shown = pathAt(pair.path)
  const hidden = sitePages.pages.length - pages.length
  return (
    <Flex direction="column" h="100%" minH="480px">
      <StageHead
        title="Look"
        sentence={`${count(sitePages.pages.length, 'page')}, as received and with ${number(decidedIn(standing))} of ${count(places.length - standing.possible, 'place')} decided.${hidden === 0 ? '' : ` ${count(hidden, 'page')} of them ${are(hidden)} put together by the site's own program and cannot be shown here.`} The site's own scripts and outside addresses are switched off here.`}
      >
        {pair.covered ? <ActButton onClick={pair.uncover}>Take away what covers it</ActButton> : null}
        <Choice
          label="Page"
          value={pages.includes(shown) ? shown : page}
          options={pages.map((path) => [path, shownPath(path)])}
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
          src={visit.before + addressOf(page)}
          width={WIDTHS[width]}
          onLoad={pair.greet}
        />
        <PageFrame
          key={`after ${turn}`}
          title="After"
          note="as decided now"
          frame={pair.after}
          src={visit.after + addressOf(page)}
          width={WIDTHS[width]}
          onLoad={pair.greet}
        />
      </Flex>
    </Flex>
  )
}
