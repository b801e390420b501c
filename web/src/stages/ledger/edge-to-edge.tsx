import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { contrast, deltaE2000, labOf, type OpaqueKey, opaqueKey, parseColor, readQuery } from '@undo-ink/core'
import { Sheet } from '../../components/sheet.tsx'
import { SURROUNDS } from '../../components/surround.ts'
import type { Surround } from '../../work/view-store.ts'

interface EdgeToEdgeProps {
  readonly color: OpaqueKey
  /** As typed; any notation. */
  readonly typed: string
  onType(typed: string): void
}

/** Two colors with nothing between them, on white, grey and black: the way in which an eye tells most. */
export function EdgeToEdge({ color, typed, onType }: EdgeToEdgeProps) {
  const query = readQuery(typed)
  const word = query?.kind === 'family' ? parseColor(query.text) : null
  const other = query?.kind === 'color' ? query.color : word && opaqueKey(word)
  return (
    <Sheet as="section" aria-label="Edge to edge" p="3">
      <Flex align="center" gap="3" mb="2" fontSize="13px" wrap="wrap">
        <Text fontWeight="600">Edge to edge with</Text>
        <chakra.input
          aria-label="The other colour"
          value={typed}
          onChange={(event) => onType(event.target.value)}
          h="28px"
          w="180px"
          px="2"
          fontFamily="mono"
          borderWidth="1px"
          borderColor="strong"
          borderRadius="3px"
          bg="sheet"
        />
        <Text role="status" color="soft">
          {other === null ? 'Type a colour in any notation' : measuresText(color, other)}
        </Text>
      </Flex>
      <Flex gap="2">
        {(Object.keys(SURROUNDS) as Surround[]).map((surround) => (
          <Flex
            key={surround}
            flex="1"
            p="4"
            justify="center"
            borderWidth="1px"
            borderRadius="2px"
            title={`on ${surround}`}
            style={{ background: SURROUNDS[surround] }}
          >
            <Box h="72px" w="72px" style={{ background: color }} />
            <Box h="72px" w="72px" style={{ background: other ?? 'transparent' }} />
          </Flex>
        ))}
      </Flex>
    </Sheet>
  )
}

function measuresText(a: OpaqueKey, b: OpaqueKey): string {
  const [x, y] = [parseColor(a), parseColor(b)]
  if (!x || !y) return ''
  return `ΔE00 ${deltaE2000(labOf(x), labOf(y)).toFixed(2)}, contrast ${contrast(x, y).toFixed(2)} : 1`
}
