import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { type RefObject, useLayoutEffect, useRef, useState } from 'react'
import { Sheet } from '../../components/sheet.tsx'

interface PageFrameProps {
  readonly title: string
  readonly note: string
  readonly frame: RefObject<HTMLIFrameElement | null>
  readonly src: string
  readonly width: number
  onLoad(frame: HTMLIFrameElement): void
}

/** One page, drawn at the width it believes to have and scaled to the room there is. */
export function PageFrame({ title, note, frame, src, width, onLoad }: PageFrameProps) {
  const room = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  useLayoutEffect(() => {
    const element = room.current
    if (!element) return
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  const scale = Math.min(1, size.width / width)
  return (
    <Sheet flex="1" display="flex" flexDirection="column" as="section" aria-label={title}>
      <Flex px="3" py="1.5" gap="2" borderBottomWidth="1px" bg="wash" fontSize="13px">
        <b>{title}</b>
        <Text color="soft">{note}</Text>
        {scale > 0 && scale < 1 ? (
          <Text color="soft" ml="auto">
            at {Math.round(scale * 100)} %
          </Text>
        ) : null}
      </Flex>
      <Box ref={room} flex="1" minH="0" overflow="hidden" position="relative">
        {scale > 0 ? (
          <chakra.iframe
            ref={frame}
            title={`${title}: the page ${note}`}
            src={src}
            sandbox="allow-scripts allow-same-origin"
            onLoad={(event) => onLoad(event.currentTarget)}
            position="absolute"
            top="0"
            border="0"
            bg="sheet"
            transformOrigin="0 0"
            style={{
              width,
              height: size.height / scale,
              left: Math.max(0, (size.width - width * scale) / 2),
              transform: `scale(${scale})`,
            }}
          />
        ) : null}
      </Box>
    </Sheet>
  )
}
