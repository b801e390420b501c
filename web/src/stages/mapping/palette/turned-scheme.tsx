import { Flex, Input } from '@chakra-ui/react'
import { type Offer, parseColor, turnedScheme } from '@undo-ink/core'
import { useId, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { useWork } from '../../../work/work.tsx'

/** Clusters that a scheme has: the most used. */
const MOST = 12

/** "The same site, but green": the site's own colours, turned to another hue. */
export function TurnedScheme({ onOffer }: { onOffer(offer: Offer): void }) {
  const { rows } = useWork()
  const [typed, setTyped] = useState('')
  const label = useId()
  const to = parseColor(typed)
  const scheme =
    to &&
    turnedScheme(
      rows.slice(0, MOST).map(({ cluster }) => cluster.lead),
      to,
    )
  if (rows.length === 0) return null
  return (
    <Flex gap="2" align="center" mb="3" fontSize="13px" wrap="wrap">
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
      {to && !scheme ? <span role="status">A grey has no hue to turn to.</span> : null}
    </Flex>
  )
}
