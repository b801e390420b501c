import { Box, Dialog, Flex, Portal, Text } from '@chakra-ui/react'
import { type OpaqueKey, opaqueKey, parseColor } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { useVisit } from '../../api/copies.ts'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { Loading } from '../../components/loading.tsx'
import { Segments } from '../../components/segments.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count } from '../../components/words.ts'
import { DroppedImage, InheritedImage } from '../../picking/image-sources.tsx'
import { PagePicker } from '../../picking/page-picker.tsx'
import { screenPicker } from '../../picking/screen.ts'
import { useWork } from '../../work/work.tsx'
import { nearestTo } from './color-facts.ts'

const SOURCES = ['a page', 'an image of the copy', 'an image of mine'] as const
const SEGMENTS = SOURCES.map((value) => ({ value, text: value }))

interface PickDialogProps {
  readonly open: boolean
  onClose(): void
  /** A declared color is sought. */
  onFind(color: OpaqueKey): void
}

/** Picks a color from what is there, and says which declared color is nearest to it. */
export function PickDialog({ open, onClose, onFind }: PickDialogProps) {
  return (
    <Dialog.Root open={open} onOpenChange={({ open }) => open || onClose()} size="xl" lazyMount unmountOnExit>
      <Portal>
        <Dialog.Backdrop bg="rgb(0 0 0 / .35)" />
        <Dialog.Positioner>
          <Dialog.Content borderRadius="sheet" maxW="900px">
            <Dialog.Header py="3" borderBottom="1px solid" borderColor="edge">
              <Dialog.Title fontSize="16px">Pick a colour</Dialog.Title>
              <ActButton ml="auto" hotkey="Esc" onClick={onClose}>
                Close
              </ActButton>
            </Dialog.Header>
            <Dialog.Body py="3">
              <Picking onFind={onFind} />
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}

function Picking({ onFind }: Pick<PickDialogProps, 'onFind'>) {
  const { snapshot } = useWork()
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
        <Nearest picked={picked} onFind={onFind} />
      </Flex>
    </>
  )
}

function PageSource({ onPick }: { onPick(color: string | null): void }) {
  const { snapshot } = useWork()
  const { data: visit, error } = useVisit(snapshot.planId)
  const [chosen, setChosen] = useState<string | null>(null)
  if (error) return <Text role="alert">{error.message}</Text>
  if (!visit) return <Loading />
  const page = chosen ?? visit.pages[0]
  if (page === undefined) return <Text color="soft">This copy has no pages.</Text>
  return (
    <>
      <Choice label="Page" value={page} options={visit.pages.map((path) => [path, path])} onChoose={setChosen} />
      <PagePicker key={page} visit={visit} page={page} onPick={onPick} />
    </>
  )
}

/** The declared color that is nearest to what was picked: a photograph's pixel is seldom one itself. */
function Nearest({ picked, onFind }: { picked: string | null; onFind(color: OpaqueKey): void }) {
  const { places } = useWork()
  const color = picked === null ? null : parseColor(picked)
  const key = color && opaqueKey(color)
  const nearest = useMemo(() => (key === null ? null : nearestTo(places.ledger, key)), [places, key])
  return (
    <Box flex="0 0 240px" fontSize="13px">
      {key === null ? null : (
        <Flex mb="2" aria-hidden>
          <Swatch color={key} size="100px" borderRadius="0" />
          <Swatch color={nearest?.color ?? null} size="100px" borderRadius="0" />
        </Flex>
      )}
      <Box role="status" mb="3">
        {key === null ? (
          <Text color="soft">Point at something painted.</Text>
        ) : (
          <>
            <Text>
              picked <b style={MONO}>{key}</b>
            </Text>
            {nearest === null ? (
              <Text mt="1">Nothing is declared in this copy.</Text>
            ) : (
              <>
                <Text mt="1">
                  nearest declared <b style={MONO}>{nearest.color}</b>
                </Text>
                <Text mt="1">{sayDistance(nearest.distance)}</Text>
                <Text mt="1" color="soft">
                  {count(places.ofColors([nearest.color]).length, 'place')}
                </Text>
              </>
            )}
          </>
        )}
      </Box>
      {nearest === null ? null : (
        <ActButton main onClick={() => onFind(nearest.color)}>
          Find its places
        </ActButton>
      )}
    </Box>
  )
}

const MONO = { fontFamily: 'var(--chakra-fonts-mono)', fontWeight: 600 }

/** In words, for those to whom a number says nothing. */
function sayDistance(distance: number): string {
  const words =
    distance === 0
      ? 'the very same'
      : distance < 1
        ? 'not to be told apart'
        : distance < 2.3
          ? 'barely to be told apart'
          : distance < 10
            ? 'another colour, but near'
            : 'nothing near it is declared'
  return `ΔE ${distance.toFixed(2)}: ${words}`
}
