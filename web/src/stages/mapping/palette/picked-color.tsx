import { Box, Text } from '@chakra-ui/react'
import { parseColor, toHex } from '@undo-ink/core'
import { ActButton } from '../../../components/act-button.tsx'
import { Swatch } from '../../../components/swatch.tsx'

/** The color that is picked, to be taken as a role's. */
export function PickedColor({ picked, onTake }: { picked: string | null; onTake(color: string): void }) {
  const color = picked === null ? null : parseColor(picked)
  const hex = color && toHex(color)
  return (
    <>
      {hex === null ? null : <Swatch color={hex} size="100px" borderRadius="0" mb="2" />}
      <Box role="status" aria-label="Picked colour" mb="3">
        <Text color={hex === null ? 'soft' : 'ink'}>
          {hex === null ? 'Point at something painted.' : `picked ${hex}`}
        </Text>
      </Box>
      {hex === null ? null : (
        <ActButton main onClick={() => onTake(hex)}>
          Take this colour
        </ActButton>
      )}
    </>
  )
}
