import { chakra, Flex, Text } from '@chakra-ui/react'
import { type Becoming, canInherit, readRoleColor } from '@undo-ink/core'
import { useId, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { CodeInput } from '../../components/code-input.tsx'
import { HashOffer } from '../../components/hash-offer.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count, number } from '../../components/words.ts'
import type { Row } from '../../work/standing.ts'
import { useClusters, useCopy } from '../../work/work.tsx'
import { apart } from './apart.ts'
import { Gradients } from './gradients.tsx'

interface OtherwiseProps {
  readonly row: Row
  onGive(to: Becoming): void
}

/** What a row can become beside a role: a colour, a follower of another, its parent's colour, a gradient. */
export function Otherwise(props: OtherwiseProps) {
  return (
    <PopupButton label="Something else" width="300px">
      {(close) => {
        const given = {
          ...props,
          onGive: (to: Becoming) => {
            close()
            props.onGive(to)
          },
        }
        return (
          <Flex direction="column" gap="3" fontSize="13px">
            <OwnColor onGive={given.onGive} />
            <Following {...given} />
            <Inheriting {...given} />
            <Gradients {...given} />
          </Flex>
        )
      }}
    </PopupButton>
  )
}

function OwnColor({ onGive }: Pick<OtherwiseProps, 'onGive'>) {
  const [typed, setTyped] = useState('')
  const id = useId()
  const isColor = typeof readRoleColor(typed) !== 'string'
  return (
    <chakra.form
      onSubmit={(event) => {
        event.preventDefault()
        if (isColor) onGive({ kind: 'color', color: typed.trim() })
      }}
    >
      <label htmlFor={id}>A colour of no role</label>
      <Flex gap="2" align="center" mt="1">
        <CodeInput id={id} value={typed} onChange={(event) => setTyped(event.target.value)} placeholder="#5a6870" />
        <Swatch color={isColor ? typed : null} size="22px" />
        <HashOffer typed={typed} onTake={setTyped} />
        <ActButton type="submit" h="28px" disabled={!isColor}>
          Take it
        </ActButton>
      </Flex>
    </chakra.form>
  )
}

/** The clusters that are decided and that a row may follow, nearest first. */
function Following({ row, onGive }: OtherwiseProps) {
  const { rows } = useClusters()
  const leads = rows.filter(({ cluster, leads }) => leads && cluster.lead !== row.cluster.lead)
  const nearest = leads.toSorted(
    (a, b) => apart(row.cluster.lead, a.cluster.lead) - apart(row.cluster.lead, b.cluster.lead),
  )
  const [chosen, setChosen] = useState<string | null>(null)
  const lead = chosen ?? nearest[0]?.cluster.lead
  if (lead === undefined) return <Text color="soft">Nothing is decided yet that it could follow.</Text>
  return (
    <div>
      <Flex gap="2" align="center" wrap="wrap">
        <Choice
          label="Keeps its place to"
          value={lead}
          options={nearest.map(({ cluster, shares }) => [cluster.lead, `${cluster.lead}, ${shares[0]?.text}`])}
          onChoose={setChosen}
        />
        <Swatch color={lead} size="22px" />
        <ActButton h="28px" onClick={() => onGive({ kind: 'follow', lead })}>
          Follow it
        </ActButton>
      </Flex>
    </div>
  )
}

/** Says beforehand where a parent's colour cannot be written. */
function Inheriting({ row, onGive }: OtherwiseProps) {
  const { places } = useCopy()
  const can = places.some(row.indices).filter(canInherit).length
  const cannot = row.count - can
  return (
    <div>
      <ActButton h="28px" disabled={can === 0} onClick={() => onGive({ kind: 'inherit' })}>
        Take the parent’s colour
      </ActButton>
      <Text mt="1" fontSize="12px" color="soft">
        {cannot === 0
          ? `In ${count(can, 'place')}.`
          : `In ${number(can)} of ${count(can + cannot, 'place')}: elsewhere nothing comes from a parent, and it stays open.`}
      </Text>
    </div>
  )
}
