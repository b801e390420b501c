import { Flex, Text } from '@chakra-ui/react'
import { correctedBy, parseColor } from '@undo-ink/core'
import { ActButton } from '../../components/act-button.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { FINDING_WORDS } from '../../components/words.ts'
import { useWork } from '../../work/work.tsx'
import type { FindingRow } from './finding-rows.ts'

/** One finding in words, and the act that accepts what was likely meant or takes that back. */
export function FindingCard({ row, onToggle }: { row: FindingRow; onToggle(row: FindingRow): void }) {
  const { finding, correction } = row
  const { code, meaning, remedy } = finding
  return (
    <Sheet as="section" aria-label="Finding" p="3" fontSize="13px">
      <Text fontWeight="600">
        <span aria-hidden>▲</span> {FINDING_WORDS[code]}
      </Text>
      {meaning === null ? (
        <Text mt="1" color="soft">
          What was meant cannot be told from the text. It stays as it came.
        </Text>
      ) : (
        <Text mt="1">
          Likely meant: <MeantColor text={meaning} />
        </Text>
      )}
      {remedy === null ? (
        meaning === null ? null : (
          <Text mt="1" color="soft">
            It stands in an encoded drawing, where it cannot be put right here.
          </Text>
        )
      ) : (
        <Flex mt="2" gap="3" align="center">
          <ActButton hotkey="R" onClick={() => onToggle(row)}>
            {correction ? 'Take back' : 'Put right'}
          </ActButton>
          {correction ? <Written row={row} /> : <Text color="soft">It then takes what its colour takes.</Text>}
        </Flex>
      )}
    </Sheet>
  )
}

/** What is written for a slip that was put right. */
function Written({ row: { correction } }: { row: FindingRow }) {
  const { resolve } = useWork()
  if (!correction) return null
  const { replacement, outcome } = correctedBy(correction, resolve)
  return (
    <Text role="status">
      ✓ written as <MeantColor text={replacement} />
      {outcome.kind === 'role' ? `, as ${outcome.role.name}` : ''}
    </Text>
  )
}

/** What was meant, with its swatch where it is a color. */
export function MeantColor({ text }: { text: string }) {
  return (
    <Text as="span" fontFamily="mono" whiteSpace="nowrap">
      {parseColor(text) ? (
        <Swatch color={text} size="14px" display="inline-block" verticalAlign="-2px" mr="1.5" />
      ) : null}
      {text}
    </Text>
  )
}
