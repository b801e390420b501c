import { Box } from '@chakra-ui/react'
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, type WheelEvent } from 'react'

export interface Point {
  readonly x: number
  readonly y: number
}

interface PointFieldProps {
  readonly label: string
  /** Of what is pointed at, in its own pixels. */
  readonly width: number
  readonly height: number
  /** Pixels on screen for one of its own. */
  readonly scale: number
  /** null: nothing is pointed at yet; arrow keys begin in the middle. */
  readonly point: Point | null
  onPoint(point: Point): void
  /** Pixels that are scrolled; left out: nothing scrolls. */
  onScroll?(by: number): void
  readonly children: ReactNode
}

const FAR = 10

/** Something that is pointed at: with the mouse, or by arrow keys, with Shift in larger steps. The point stays where it was left. */
export function PointField({ label, width, height, scale, point, onPoint, onScroll, children }: PointFieldProps) {
  const box = useRef<HTMLDivElement>(null)
  const go = (x: number, y: number) =>
    onPoint({ x: Math.min(width - 1, Math.max(0, Math.floor(x))), y: Math.min(height - 1, Math.max(0, Math.floor(y))) })
  const onPointer = (event: PointerEvent) => {
    const { left, top } = (box.current as HTMLDivElement).getBoundingClientRect()
    if (event.type === 'pointerdown' || event.buttons === 1)
      go((event.clientX - left) / scale, (event.clientY - top) / scale)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    const steps: Record<string, readonly [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    }
    const step = steps[event.key]
    const page = { PageDown: 1, PageUp: -1 }[event.key]
    if (step) {
      const by = event.shiftKey ? FAR : 1
      const from = point ?? { x: width / 2, y: height / 2 }
      go(from.x + step[0] * by, from.y + step[1] * by)
    } else if (page !== undefined && onScroll) onScroll((page * height) / 2)
    else return
    event.preventDefault()
  }
  return (
    <Box
      ref={box}
      role="application"
      aria-label={`${label}: arrow keys move the point, with Shift by ${FAR}`}
      tabIndex={0}
      position="relative"
      overflow="hidden"
      cursor="crosshair"
      touchAction="none"
      onPointerDown={onPointer}
      onPointerMove={onPointer}
      onKeyDown={onKeyDown}
      {...(onScroll ? { onWheel: (event: WheelEvent) => onScroll(event.deltaY / scale) } : {})}
      style={{ width: width * scale, height: height * scale }}
    >
      {children}
      {point ? (
        <Box
          aria-hidden
          position="absolute"
          w="17px"
          h="17px"
          borderRadius="full"
          border="2px solid white"
          boxShadow="0 0 0 1.5px black, inset 0 0 0 1.5px black"
          pointerEvents="none"
          style={{ left: (point.x + 0.5) * scale - 8.5, top: (point.y + 0.5) * scale - 8.5 }}
        />
      ) : null}
    </Box>
  )
}
