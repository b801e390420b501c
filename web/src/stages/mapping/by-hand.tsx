import { Box, Flex, Text } from '@chakra-ui/react'
import type { OpaqueKey } from '@undo-ink/core'
import { useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count, number } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'
import { useClusters, useCopy, usePlan } from '../../work/work.tsx'
import { apart } from './apart.ts'

/** Other clusters that are offered to be put together with one. */
const MOST = 12

/** A cluster taken apart, put together with another, or given another lead by hand; it stays so at every tolerance. */
export function ByHand({ row }: { row: Row }) {
  return (
    <PopupButton label="Its colours" width="320px">
      {(close) => (
        <Flex key={row.key} direction="column" gap="3" fontSize="13px">
          <Members row={row} onDone={close} />
          <PutTogether row={row} onDone={close} />
        </Flex>
      )}
    </PopupButton>
  )
}

function Members({ row: { cluster }, onDone }: { row: Row; onDone(): void }) {
  const { places } = useCopy()
  const { store } = usePlan()
  const [ticked, setTicked] = useState<ReadonlySet<OpaqueKey>>(new Set())
  const tick = (key: OpaqueKey) => {
    const next = new Set(ticked)
    if (!next.delete(key)) next.add(key)
    setTicked(next)
  }
  const { members, byHand } = cluster
  return (
    <div>
      <Text mb="1">
        {members.length === 1 ? 'One colour' : count(members.length, 'colour')}
        {byHand ? ', put together by hand' : ''}
      </Text>
      <Box maxH="160px" overflow="auto">
        {members.map((key, i) => (
          <Flex key={key} gap="2" align="center" py="0.5">
            <input
              type="checkbox"
              aria-label={`Tick ${key}`}
              checked={ticked.has(key)}
              disabled={members.length === 1}
              onChange={() => tick(key)}
            />
            <Swatch color={key} size="16px" />
            <Text fontFamily="mono" flex="1">
              {key}
            </Text>
            <Text fontSize="12px" color="soft">
              {number(places.ofColors([key]).length)}
            </Text>
            {i === 0 ? (
              <Text fontSize="12px" w="96px" textAlign="right">
                the main one
              </Text>
            ) : (
              <ActButton h="24px" px="1.5" fontSize="12px" onClick={() => store.act({ kind: 'lead', color: key })}>
                Make it the main one
              </ActButton>
            )}
          </Flex>
        ))}
      </Box>
      <Flex gap="2" mt="2" wrap="wrap">
        <ActButton
          h="28px"
          disabled={ticked.size === 0 || ticked.size === members.length}
          onClick={() => {
            store.act({ kind: 'group', colors: members.filter((key) => ticked.has(key)) })
            setTicked(new Set())
            onDone()
          }}
        >
          Set the ticked apart
        </ActButton>
        {byHand ? (
          <ActButton
            h="28px"
            onClick={() => {
              store.act({ kind: 'ungroup', colors: members })
              onDone()
            }}
          >
            Let the tolerance decide
          </ActButton>
        ) : null}
      </Flex>
    </div>
  )
}

function PutTogether({ row: { cluster }, onDone }: { row: Row; onDone(): void }) {
  const { store } = usePlan()
  const { rows } = useClusters()
  const [chosen, setChosen] = useState<string | null>(null)
  const nearest = rows
    .filter((other) => other.cluster.lead !== cluster.lead)
    .map((other) => ({ other: other.cluster, distance: apart(cluster.lead, other.cluster.lead) }))
    .toSorted((a, b) => a.distance - b.distance)
    .slice(0, MOST)
  const other = (nearest.find((each) => each.other.lead === chosen) ?? nearest[0])?.other
  if (!other) return null
  return (
    <div>
      <Flex gap="2" align="center" wrap="wrap">
        <Choice
          label="Put together with"
          value={other.lead}
          options={nearest.map(({ other: { lead }, distance }) => [lead, `${lead}, ΔE ${distance.toFixed(1)}`])}
          onChoose={setChosen}
        />
        <Swatch color={other.lead} size="22px" />
        <ActButton
          h="28px"
          onClick={() => {
            store.act({ kind: 'group', colors: [...cluster.members, ...other.members].toSorted() })
            onDone()
          }}
        >
          Join
        </ActButton>
      </Flex>
    </div>
  )
}
