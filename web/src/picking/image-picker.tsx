import { Box, Flex, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { Loading } from '../components/loading.tsx'
import { number } from '../components/words.ts'
import { useStable } from '../work/use-stable.ts'
import { colorAt, decodeImage, type Pixels } from './pixels.ts'
import { type Point, PointField } from './point-field.tsx'

interface ImagePickerProps {
  readonly name: string
  readonly bytes: Uint8Array
  /** The color under the point; null: nothing is painted there. */
  onPick(color: string | null): void
}

/** Room on screen, in pixels. */
const ROOM = { width: 560, height: 380 }

/** An image of which a point is picked, with the pixels around it magnified. */
export function ImagePicker({ name, bytes, onPick }: ImagePickerProps) {
  const decoded = useDecoded(bytes, name)
  if (decoded === 'failed')
    return (
      <Text role="alert" fontSize="13px">
        <span aria-hidden>▲</span> {name} cannot be shown: it is no image that this browser knows, or a broken one.
      </Text>
    )
  return decoded ? <Picking name={name} pixels={decoded} onPick={onPick} /> : <Loading />
}

/** The pixels of an image; null while it is decoded. */
function useDecoded(bytes: Uint8Array, name: string): Pixels | 'failed' | null {
  const [decoded, setDecoded] = useState<Pixels | 'failed' | null>(null)
  useEffect(() => {
    let isLatest = true
    const take = (result: Pixels | 'failed') => isLatest && setDecoded(result)
    setDecoded(null)
    decodeImage(bytes, name).then(take, () => take('failed'))
    return () => {
      isLatest = false
    }
  }, [bytes, name])
  return decoded
}

function Picking({ name, pixels, onPick }: { name: string; pixels: Pixels; onPick: ImagePickerProps['onPick'] }) {
  const { image, scaledFrom } = pixels
  const { width, height } = image
  const canvas = useRef<HTMLCanvasElement>(null)
  const [point, setPoint] = useState<Point>({ x: Math.floor(width / 2), y: Math.floor(height / 2) })
  const scale = Math.min(8, ROOM.width / width, ROOM.height / height)
  const tell = useStable(onPick)
  useEffect(() => paint(canvas.current, image, 0, 0), [image])
  useEffect(() => tell(colorAt(image, point.x, point.y)), [image, point, tell])
  return (
    <Flex gap="3" align="flex-start" wrap="wrap">
      <Box>
        <Box display="inline-block" borderWidth="1px" borderColor="strong" css={{ background: CHEQUERS }}>
          <PointField label={name} width={width} height={height} scale={scale} point={point} onPoint={setPoint}>
            <canvas
              ref={canvas}
              width={width}
              height={height}
              style={{ width: '100%', height: '100%', imageRendering: scale > 1 ? 'pixelated' : 'auto' }}
            />
          </PointField>
        </Box>
        <Text fontSize="12px" color="soft">
          {point.x}, {point.y} of {number(width)} × {number(height)}
          {scaledFrom === null ? '' : `, shown smaller: it is ${number(scaledFrom)} wide`}
        </Text>
      </Box>
      <Lens image={image} point={point} />
    </Flex>
  )
}

const CHEQUERS = 'repeating-conic-gradient(#fff 0 25%, #ddd 0 50%) 0 0 / 12px 12px'

/** Pixels to each side of the point. */
const AROUND = 5
const SIDE = 2 * AROUND + 1

/** What is around the point, large enough to see single pixels. */
function Lens({ image, point: { x, y } }: { image: ImageData; point: Point }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => paint(canvas.current, image, x - AROUND, y - AROUND), [image, x, y])
  return (
    <Box aria-hidden position="relative" borderWidth="1px" borderColor="strong" css={{ background: CHEQUERS }}>
      <canvas
        ref={canvas}
        width={SIDE}
        height={SIDE}
        style={{ width: 11 * SIDE, height: 11 * SIDE, imageRendering: 'pixelated' }}
      />
      <Box
        position="absolute"
        left={`${11 * AROUND}px`}
        top={`${11 * AROUND}px`}
        w="11px"
        h="11px"
        boxShadow="0 0 0 1px white, 0 0 0 2px black"
      />
    </Box>
  )
}

/** Paints what of an image lies behind a canvas of which a corner is at a point; beyond its edge nothing. */
function paint(canvas: HTMLCanvasElement | null, image: ImageData, x: number, y: number): void {
  const context = canvas?.getContext('2d')
  if (!canvas || !context) return
  context.clearRect(0, 0, canvas.width, canvas.height)
  context.putImageData(image, -x, -y)
}
