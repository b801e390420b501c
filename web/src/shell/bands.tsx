import { Flex, Text } from '@chakra-ui/react'
import { decidedIn } from '@undo-ink/core'
import { type KeyboardEvent, memo, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { HATCHING } from '../components/swatch.tsx'
import { count, number } from '../components/words.ts'
import type { Row } from '../work/standing.ts'
import { useStable } from '../work/use-stable.ts'
import { useView } from '../work/view-store.ts'
import { useClusters, useCopy, usePlan } from '../work/work.tsx'

/** Pixels: the smallest target of WCAG 2.2 (2.5.8), and the room of the stretch that the least used share. */
const THINNEST = 24
const SHARED = 56

/** One stretch of the bands: a cluster, or all those for which there is no room. */
interface Stretch {
  readonly key: string
  readonly rows: readonly Row[]
  readonly places: number
}

/** Every cluster as found, and under it what the plan makes of it. Choosing a stretch filters every stage to it. */
export const Bands = memo(function Bands() {
  const { places, colors } = useCopy()
  const { standing } = usePlan()
  const { rows, clusters } = useClusters()
  const { stretch: chosen, chooseStretch } = useView()
  const strip = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(0)
  const [focus, setFocus] = useState(0)
  useLayoutEffect(() => {
    const element = strip.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  const stretches = useMemo(() => layOut(rows, width), [rows, width])
  const isChosen = (stretch: Stretch) =>
    chosen !== null && stretch.rows.some(({ cluster }) => chosen.includes(cluster.lead))
  const choose = useStable((key: string) => {
    const stretch = stretches.find((each) => each.key === key)
    if (stretch) chooseStretch(isChosen(stretch) ? null : stretch.rows.map(({ cluster }) => cluster.lead))
  })
  const focusOn = useStable((key: string) => setFocus(stretches.findIndex((each) => each.key === key)))
  const move = (event: KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, Home: -stretches.length, End: stretches.length }[event.key]
    if (event.key === 'Escape') chooseStretch(null)
    if (step === undefined) return
    event.preventDefault()
    const next = Math.min(stretches.length - 1, Math.max(0, focus + step))
    setFocus(next)
    strip.current?.querySelectorAll('button')[next]?.focus()
  }
  return (
    <Flex as="section" aria-label="Bands" bg="sheet" borderBottomWidth="1px" px="4" py="2" gap="4" h="76px">
      <Flex direction="column" justify="space-around" w="132px" flex="none" fontSize="12px" color="soft">
        <Text>
          found <b>{number(places.length)}</b> in <b>{number(colors)}</b>
        </Text>
        <Text data-testid="becomes">
          decided <b>{number(decidedIn(standing))}</b> of {number(places.length - standing.possible)}
        </Text>
      </Flex>
      <Flex
        ref={strip}
        flex="1"
        minW="0"
        role="group"
        aria-label="Clusters, most used first"
        onKeyDown={move}
        css={STYLES}
      >
        {stretches.map((stretch, i) => (
          <StretchButton
            key={stretch.key}
            stretch={stretch}
            chosen={isChosen(stretch)}
            dimmed={chosen !== null && !isChosen(stretch)}
            tabbable={i === Math.min(focus, stretches.length - 1)}
            onFocus={focusOn}
            onChoose={choose}
          />
        ))}
        {clusters === null && <PlainBand>Comparing the colours …</PlainBand>}
        {clusters?.length === 0 && <PlainBand>No colour is written by hand in the files that were read.</PlainBand>}
      </Flex>
    </Flex>
  )
})

/** A band without stretches, saying why it has none. */
function PlainBand({ children }: { children: string }) {
  return (
    <Flex flex="1" align="center" px="3" fontSize="13px" color="soft" bg="wash" borderRadius="2px">
      {children}
    </Flex>
  )
}

/** As many stretches as fit at the smallest width, the rest sharing one. */
function layOut(rows: readonly Row[], width: number): Stretch[] {
  const fit = Math.max(1, Math.floor((width - SHARED) / THINNEST))
  const alone = rows.length * THINNEST <= width ? rows : rows.slice(0, fit)
  const rest = rows.slice(alone.length)
  const total = (some: readonly Row[]) => some.reduce((sum, row) => sum + row.count, 0)
  const stretches = alone.map((row): Stretch => ({ key: row.key, rows: [row], places: row.count }))
  return rest.length > 0 ? [...stretches, { key: 'rest', rows: rest, places: total(rest) }] : stretches
}

interface StretchButtonProps {
  readonly stretch: Stretch
  readonly chosen: boolean
  readonly dimmed: boolean
  readonly tabbable: boolean
  onFocus(key: string): void
  onChoose(key: string): void
}

const StretchButton = memo(function StretchButton({
  stretch,
  chosen,
  dimmed,
  tabbable,
  onFocus,
  onChoose,
}: StretchButtonProps) {
  const shared = stretch.rows.length > 1
  // More would be thinner than a pixel, and cost a frame each time.
  const rows = shared ? stretch.rows.slice(0, SHARED / 2) : stretch.rows
  return (
    <button
      type="button"
      className="stretch"
      aria-pressed={chosen}
      aria-label={labelOf(stretch)}
      title={labelOf(stretch)}
      tabIndex={tabbable ? 0 : -1}
      onFocus={() => onFocus(stretch.key)}
      onClick={() => onChoose(stretch.key)}
      style={{
        flex: shared ? `0 0 ${SHARED}px` : `${Math.sqrt(stretch.places)} 1 0`,
        paddingInline: shared ? 2 : 0,
        opacity: dimmed ? 0.45 : 1,
      }}
    >
      <Line parts={rows.map((row) => ({ paint: row.cluster.lead, grow: shared ? 1 : row.count }))} />
      <Line
        parts={rows.flatMap((row) =>
          row.shares.map((share) => ({
            paint: share.kind === 'keep' ? row.cluster.lead : share.paint,
            kept: share.kind === 'keep',
            grow: shared ? share.count / row.count : share.count,
          })),
        )}
      />
    </button>
  )
}, sameStretch)

/** Rows that say the same are the same objects: a stretch of them need not be drawn anew. */
function sameStretch(a: StretchButtonProps, b: StretchButtonProps): boolean {
  return (
    a.chosen === b.chosen &&
    a.dimmed === b.dimmed &&
    a.tabbable === b.tabbable &&
    a.stretch.rows.length === b.stretch.rows.length &&
    a.stretch.rows.every((row, i) => row === b.stretch.rows[i])
  )
}

interface BandPart {
  readonly paint: string | null
  readonly kept?: boolean
  readonly grow: number
}

function Line({ parts }: { parts: readonly BandPart[] }) {
  return (
    <span className="line">
      {parts.map(({ paint, kept, grow }, i) => (
        <span
          // biome-ignore lint/suspicious/noArrayIndexKey: parts have no identity of their own
          key={i}
          className={kept ? 'part kept' : 'part'}
          style={{ flex: `${grow} 1 0`, background: paint ?? HATCHING }}
        />
      ))}
    </span>
  )
}

/** Plain elements under the styles of their strip: there are hundreds of them, drawn anew at each step of the tolerance. */
const STYLES = {
  '& .stretch': {
    position: 'relative',
    display: 'flex',
    flexDirection: 'column',
    gap: '3px',
    minWidth: `${THINNEST}px`,
    height: '60px',
    paddingBlock: '3px',
    borderBlock: '3px solid',
    borderColor: 'transparent',
    cursor: 'pointer',
  },
  '& .stretch:hover': { borderColor: 'strong' },
  '& .stretch[aria-pressed=true]': { borderColor: 'ink' },
  '& .stretch:focus-visible': { outlineOffset: '-2px', zIndex: 1 },
  '& .line': { position: 'relative', display: 'flex', flex: '1', width: '100%' },
  '& .line::after': {
    content: '""',
    position: 'absolute',
    inset: '0',
    boxShadow: 'inset 0 0 0 1px rgb(128 128 128 / .35)',
  },
  '& .part': { position: 'relative', minWidth: '0' },
  '& .part.kept::after': {
    content: '""',
    position: 'absolute',
    inset: 'auto 0 0',
    height: '4px',
    bg: 'sheet',
    borderTop: '2px solid',
    borderColor: 'ink',
  },
}

function labelOf({ rows, places }: Stretch): string {
  const [row] = rows
  if (!row || rows.length > 1) return `${number(rows.length)} least used clusters, ${count(places, 'place')}`
  const becomes = row.shares
    .map(({ kind, text, count }) => `${number(count)} ${kind === 'role' ? 'to ' : ''}${text}`)
    .join(', ')
  return `${row.cluster.lead}, ${count(places, 'place')}: ${becomes}`
}
