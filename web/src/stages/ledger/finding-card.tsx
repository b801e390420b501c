import { Flex, Text } from '@chakra-ui/react'
import { correctedBy, type FindingCode, isRewritten, opaqueKey, parseColor } from '@undo-ink/core'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { FINDING_WORDS } from '../../components/words.ts'
import { becomesText } from '../../work/standing.ts'
import { useClusters, usePlan } from '../../work/work.tsx'
import type { FindingRow } from './finding-rows.ts'

/** What follows from those that need no putting right. */
const ADVICE: Partial<Record<FindingCode, string>> = {
  'and-more': 'A text with so much that is odd is broken, or none of its kind. It stays as it came.',
  'overridden-in-rule':
    'Another declaration of the same property stands below it in its rule and wins. What is decided for its colours is written all the same, and changes nothing on the pages.',
  'outside-rules':
    'No rule is around it, so that browsers pass over it. What is decided for its colours changes nothing on the pages.',
  'unparsed-script': 'Its strings were read all the same; what its code does was not.',
  'drawing-not-reversible': 'Its colours are not listed: written back, the rest of it could change.',
}

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
          {ADVICE[code] ?? 'What was meant cannot be told from the text. It stays as it came.'}
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
  const { resolver, roles, store } = usePlan()
  const { rows } = useClusters()
  if (!correction) return null
  const { replacement, outcome } = correctedBy(correction, resolver)
  const color = parseColor(correction.replacement)
  const key = color && opaqueKey(color)
  // A colour that stands nowhere else has no cluster in Mapping: it is decided here.
  const isAlone = key !== null && !rows.some(({ cluster }) => cluster.members.includes(key))
  const give = (role: string) => {
    if (key === null || role === '') return
    const target = { colors: [key] }
    store.act({ kind: 'decide', decisions: [{ id: crypto.randomUUID(), target, to: { kind: 'role', role } }] })
  }
  return (
    <Flex gap="3" wrap="wrap" align="center">
      <Text role="status">
        ✓ written as <MeantColor text={replacement} />
        {isRewritten(outcome) ? `, as ${becomesText(outcome)}` : ''}
      </Text>
      {isAlone && roles.length > 0 ? (
        <Choice
          label="It becomes"
          value={outcome.kind === 'role' ? outcome.role.id : ''}
          options={[['', 'itself'], ...roles.map(({ id, name }) => [id, name] as const)]}
          onChoose={give}
        />
      ) : null}
    </Flex>
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
