import { chakra, Flex, Text } from '@chakra-ui/react'
import {
  canTurn,
  type Decision,
  type Offer,
  ownJobOf,
  parseColor,
  together,
  toHex,
  turnedScheme,
  turningLead,
} from '@undo-ink/core'
import { useId, useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { CodeInput } from '../../../components/code-input.tsx'
import { HashOffer } from '../../../components/hash-offer.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { count } from '../../../components/words.ts'
import { useConsequence, usePlanSoFar } from '../../../judging/use-judged.ts'
import { Warnings } from '../../../judging/warnings.tsx'
import { useClusters, usePlan, type Work } from '../../../work/work.tsx'
import { decisionOf, replacing } from '../deciding.ts'
import { useSeenColors } from '../use-suggestions.ts'

/** Clusters that are shown: the most used. */
const MOST = 12

interface TurnedSchemeProps {
  onOffer(offer: Offer): void
  /** It was decided. */
  onDone(): void
}

/** "The same site, but green": the site's own colours turned to another, those that are held left alone; decided as one act, or offered as roles. */
export function TurnedScheme({ onOffer, onDone }: TurnedSchemeProps) {
  const { state, store } = usePlan()
  const { rows } = useClusters()
  const seen = useSeenColors()
  const [typed, setTyped] = useState('')
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set())
  const label = useId()
  const to = parseColor(typed)
  const own = rows.slice(0, MOST).map(({ cluster }) => cluster.lead)
  const scheme = to && turnedScheme(own, to, held)
  const lead = turningLead(own, held)
  // A status or another company's colour keeps its own hue.
  const staying = useMemo(() => {
    const jobs = rows.flatMap(({ cluster: { lead: key, members } }) => {
      const parts = members.flatMap((member) => seen?.get(member) ?? [])
      const job = parts.length > 0 ? ownJobOf(key, together(parts), []) : null
      return job === 'status' || job === 'company' ? [key] : []
    })
    return new Set([...held, ...jobs])
  }, [rows, seen, held])
  const decisions = useMemo(() => {
    const color = parseColor(typed)
    return color && lead !== null ? decisionsOf(rows, lead, toHex(color), staying, () => crypto.randomUUID()) : []
  }, [rows, lead, typed, staying])
  const hold = (color: string) => {
    const next = new Set(held)
    if (!next.delete(color)) next.add(color)
    setHeld(next)
  }
  const decide = () => {
    store.act({ kind: 'decide', decisions, ...replacing(decisions, state) })
    onDone()
  }
  if (rows.length === 0) return null
  return (
    <>
      <Flex gap="2" align="center" mb="2" fontSize="13px" wrap="wrap">
        <label htmlFor={label}>Or the site’s own colours, turned to</label>
        <CodeInput
          id={label}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          w="140px"
          placeholder="#2e6f4e"
        />
        <Swatch color={to ? typed : null} size="22px" />
        <HashOffer typed={typed} onTake={setTyped} />
        <ActButton h="28px" main disabled={!scheme} onClick={decide}>
          Decide it so
        </ActButton>
        <ActButton h="28px" disabled={!scheme} onClick={() => scheme && onOffer(scheme)}>
          Propose as roles
        </ActButton>
        {to && !scheme ? <span role="status">There is nothing to turn: a grey has no hue.</span> : null}
      </Flex>
      {to ? (
        <Flex as="fieldset" gap="3" rowGap="1.5" align="center" mb="2" fontSize="13px" wrap="wrap">
          <chakra.legend float="left" color="soft">
            Hold
          </chakra.legend>
          {own.map((color, i) => (
            <Flex as="label" key={color} gap="1" align="center" fontFamily="mono" fontSize="12px" cursor="pointer">
              <input type="checkbox" checked={held.has(color)} onChange={() => hold(color)} />
              <Swatch color={color} size="14px" /> {color}
              {scheme && scheme.colors[i]?.color !== color ? (
                <>
                  <span aria-hidden>→</span>
                  <Swatch color={scheme.colors[i]?.color ?? null} size="14px" /> {scheme.colors[i]?.color}
                </>
              ) : null}
            </Flex>
          ))}
        </Flex>
      ) : null}
      {scheme ? <Turned decisions={decisions} /> : null}
    </>
  )
}

/** What deciding it so would do. */
function Turned({ decisions }: { decisions: readonly Decision[] }) {
  const { judgement, isCurrent } = useConsequence(decisions, usePlanSoFar())
  if (judgement === null) return null
  return (
    <Flex direction="column" gap="2" mb="3" fontSize="13px">
      <Text>
        {count(decisions.length, 'cluster')} would change, {count(judgement.places, 'place')} on{' '}
        {count(judgement.pages, 'page')}: the most used colour takes this one, all others keep their place to it, but
        what is called a status or another company. One act, undone as one.
      </Text>
      <Warnings judgement={judgement} isCurrent={isCurrent} />
    </Flex>
  )
}

/** The lead takes the color, every other color with a hue that is not held keeps its place to it. */
function decisionsOf(
  rows: Work['rows'],
  lead: string,
  color: string,
  held: ReadonlySet<string>,
  newId: () => string,
): Decision[] {
  return rows.flatMap((row): Decision[] => {
    const own = row.cluster.lead
    if (own === lead) return [decisionOf(row, { kind: 'color', color }, newId())]
    if (held.has(own) || !canTurn(own)) return []
    return [decisionOf(row, { kind: 'follow', lead }, newId())]
  })
}
