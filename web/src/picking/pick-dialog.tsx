import { Box, Flex, Text } from '@chakra-ui/react'
import { type ReactNode, useState } from 'react'
import { useVisit } from '../api/copies.ts'
import { ActButton } from '../components/act-button.tsx'
import { Choice } from '../components/choice.tsx'
import { Dialog } from '../components/dialog.tsx'
import { Loading } from '../components/loading.tsx'
import { Segments } from '../components/segments.tsx'
import { shownPath } from '../components/words.ts'
import { shownPages } from '../work/shown-pages.ts'
import { useCopy } from '../work/work.tsx'
import { DroppedImage, InheritedImage } from './image-sources.tsx'
import { PagePicker } from './page-picker.tsx'
import { screenPicker } from './screen.ts'

const SOURCES = ['a page', 'an image of the copy', 'an image of mine'] as const
const SEGMENTS = SOURCES.map((value) => ({ value, text: value }))

interface PickDialogProps {
  readonly open: boolean
  onClose(): void
  /** What is shown beside, of the color that is picked; null: nothing is painted there. */
  beside(picked: string | null): ReactNode
}

/** Picks a color from what is there: a page, an image of the copy or of one's own, the screen. */
export function PickDialog({ open, onClose, beside }: PickDialogProps) {
  return (
    <Dialog title="Pick a colour" open={open} width="900px" onClose={onClose}>
      <Picking beside={beside} />
    </Dialog>
  )
}

function Picking({ beside }: Pick<PickDialogProps, 'beside'>) {
  const { snapshot } = useCopy()
  const [source, setSource] = useState<(typeof SOURCES)[number]>('a page')
  const [picked, setPicked] = useState<string | null>(null)
  const pickFromScreen = screenPicker()
  return (
    <>
      <Flex gap="3" mb="3" align="center" wrap="wrap">
        <Segments
          label="Pick from"
          says="from"
          segments={SEGMENTS}
          value={source}
          height={28}
          onChoose={(next) => {
            setSource(next)
            setPicked(null)
          }}
        />
        {pickFromScreen ? (
          <ActButton h="28px" onClick={async () => setPicked((await pickFromScreen()) ?? picked)}>
            From the screen …
          </ActButton>
        ) : null}
      </Flex>
      <Flex gap="5" wrap="wrap">
        <Box flex="1 1 562px" minH="400px">
          {source === 'a page' ? <PageSource onPick={setPicked} /> : null}
          {source === 'an image of the copy' ? <InheritedImage files={snapshot.files} onPick={setPicked} /> : null}
          {source === 'an image of mine' ? <DroppedImage onPick={setPicked} /> : null}
        </Box>
        <Box flex="0 0 240px" fontSize="13px">
          {beside(picked)}
        </Box>
      </Flex>
    </>
  )
}

function PageSource({ onPick }: { onPick(color: string | null): void }) {
  const { snapshot, sitePages } = useCopy()
  const { data: visit, error } = useVisit(snapshot.planId)
  const [chosen, setChosen] = useState<string | null>(null)
  if (error) return <Text role="alert">{error.message}</Text>
  if (!visit) return <Loading />
  const pages = shownPages(sitePages)
  const page = chosen ?? pages[0]
  if (page === undefined) return <Text color="soft">This copy has no page that could be shown.</Text>
  return (
    <>
      <Choice label="Page" value={page} options={pages.map((path) => [path, shownPath(path)])} onChoose={setChosen} />
      <PagePicker key={page} visit={visit} page={page} onPick={onPick} />
    </>
  )
}
