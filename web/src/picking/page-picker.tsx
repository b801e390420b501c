import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { type AgentAsk, type AgentSays, agentSaysSchema, type Visit } from '@undo-ink/contracts'
import { addressOf } from '@undo-ink/core'
import { useEffect, useRef, useState } from 'react'
import { Swatch } from '../components/swatch.tsx'
import { useStable } from '../work/use-stable.ts'
import { type Point, PointField } from './point-field.tsx'

interface PagePickerProps {
  readonly visit: Visit
  readonly page: string
  /** As the page computes it; null: nothing is painted there. */
  onPick(color: string | null): void
}

type PickedColors = Extract<AgentSays, { kind: 'colors' }>['found']

/** The window that the page believes to have, and what it is on screen. */
const WINDOW = { width: 1120, height: 760 }
const SCALE = 0.5

const WHAT: Readonly<Record<PickedColors[number]['what'], string>> = {
  image: 'image',
  fill: 'fill',
  stroke: 'stroke',
  text: 'text',
  ground: 'ground',
  line: 'line',
}

/** A page as received, of which a point is picked: the agent in it tells what is painted there. */
export function PagePicker({ visit, page, onPick }: PagePickerProps) {
  const frame = useRef<HTMLIFrameElement>(null)
  const [point, setPoint] = useState<Point | null>(null)
  const [found, setFound] = useState<PickedColors | null>(null)
  const [chosen, setChosen] = useState(0)
  const [isThere, setIsThere] = useState(false)
  const scrolled = useRef({ x: 0, y: 0 })
  const tell = useStable((ask: AgentAsk) => frame.current?.contentWindow?.postMessage(ask, visit.before))
  const askAt = useStable(({ x, y }: Point) => tell({ kind: 'colors', x, y }))
  useEffect(() => {
    const listen = ({ source, origin, data }: MessageEvent) => {
      if (source !== frame.current?.contentWindow || origin !== visit.before) return
      const said = agentSaysSchema.safeParse(data).data
      if (said?.kind === 'colors') {
        setFound(said.found)
        setChosen(0)
      } else if (said?.kind === 'scrolled') scrolled.current = { x: said.x, y: said.y }
      else if (said?.kind === 'at') {
        setIsThere(true)
        if (point) askAt(point)
      }
    }
    addEventListener('message', listen)
    return () => removeEventListener('message', listen)
  }, [visit.before, askAt, point])
  const color = found?.[chosen]?.color ?? null
  const pick = useStable(onPick)
  useEffect(() => pick(color), [color, pick])
  const scroll = (by: number) => {
    const { x, y } = scrolled.current
    scrolled.current = { x, y: Math.max(0, y + by) }
    tell({ kind: 'scroll', ...scrolled.current })
    if (point) askAt(point)
  }
  return (
    <>
      <Box display="inline-block" borderWidth="1px" borderColor="strong" lineHeight="0">
        <PointField
          label={`Page ${page}; PageUp and PageDown scroll`}
          {...WINDOW}
          scale={SCALE}
          point={point}
          onPoint={(next) => {
            setPoint(next)
            askAt(next)
          }}
          onScroll={scroll}
        >
          <chakra.iframe
            ref={frame}
            title={`${page} as received`}
            src={visit.before + addressOf(page)}
            sandbox="allow-scripts allow-same-origin"
            tabIndex={-1}
            aria-hidden
            onLoad={() => tell({ kind: 'hello' })}
            border="0"
            bg="sheet"
            pointerEvents="none"
            transformOrigin="0 0"
            style={{ ...WINDOW, transform: `scale(${SCALE})` }}
          />
        </PointField>
      </Box>
      <Flex as="fieldset" gap="3" wrap="wrap" mt="1" minH="24px" fontSize="13px" aria-label="Painted at the point">
        {found === null ? (
          <Text color="soft">{isThere ? 'Point at something on the page.' : 'Waiting for the page …'}</Text>
        ) : null}
        {found?.length === 0 ? <Text color="soft">Nothing is painted there.</Text> : null}
        {found?.map(({ what, color }, i) => (
          <Flex as="label" key={`${what} ${color}`} align="center" gap="1.5" cursor="pointer">
            <input type="radio" name="painted" checked={chosen === i} onChange={() => setChosen(i)} />
            {WHAT[what]}
            <Swatch color={color} size="16px" />
          </Flex>
        ))}
      </Flex>
    </>
  )
}
