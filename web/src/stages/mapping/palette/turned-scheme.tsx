import { chakra, Flex, Input } from '@chakra-ui/react'
import { type Offer, parseColor, turnedScheme } from '@undo-ink/core'
import { useId, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { useWork } from '../../../work/work.tsx'

/** Clusters that a scheme has: the most used. */
const MOST = 12

/** "The same site, but green": the site's own colours, turned to another hue; those that are held stay. */
export function TurnedScheme({ onOffer }: { onOffer(offer: Offer): void }) {
  const { rows } = useWork()
  const [typed, setTyped] = useState('')
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set())
  const label = useId()
  const to = parseColor(typed)
  const own = rows.slice(0, MOST).map(({ cluster }) => cluster.lead)
  const scheme = to && turnedScheme(own, to, held)
  const hold = (color: string) => {
    const next = new Set(held)
    if (!next.delete(color)) next.add(color)
    setHeld(next)
  }
  if (rows.length === 0) return null
  return (
    <>
      <Flex gap="2" align="center" mb="2" fontSize="13px" wrap="wrap">
        <label htmlFor={label}>Or the site’s own colours, turned to</label>
        <Input
          id={label}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          size="xs"
          w="140px"
          fontFamily="mono"
          fontSize="13px"
          borderColor="strong"
          spellCheck={false}
          placeholder="#2e6f4e"
        />
        <Swatch color={to ? typed : null} size="22px" />
        <ActButton h="28px" disabled={!scheme} onClick={() => scheme && onOffer(scheme)}>
          Propose
        </ActButton>
        {to && !scheme ? <span role="status">There is nothing to turn: a grey has no hue.</span> : null}
      </Flex>
      {to ? (
        <Flex as="fieldset" gap="3" rowGap="1.5" align="center" mb="3" fontSize="13px" wrap="wrap">
          <chakra.legend float="left" color="soft">
            Hold
          </chakra.legend>
          {own.map((color) => (
            <Flex as="label" key={color} gap="1" align="center" fontFamily="mono" fontSize="12px" cursor="pointer">
              <input type="checkbox" checked={held.has(color)} onChange={() => hold(color)} />
              <Swatch color={color} size="14px" /> {color}
            </Flex>
          ))}
        </Flex>
      ) : null}
    </>
  )
}
