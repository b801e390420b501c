import { Box, Flex, Text } from '@chakra-ui/react'
import type { Decision, OpaqueKey } from '@undo-ink/core'
import { useEffect, useMemo, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Dialog } from '../../components/dialog.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { TickList, TickRow } from '../../components/tick-list.tsx'
import { are, count } from '../../components/words.ts'
import type { Judgement } from '../../judging/consequence.ts'
import { useAskConsequence, useConsequence, usePlanSoFar } from '../../judging/use-judged.ts'
import { useMeeting, Warnings } from '../../judging/warnings.tsx'
import { useSameItems } from '../../work/use-same.ts'
import { useClusters, usePlan } from '../../work/work.tsx'
import { decisionsFor, placesOf, reasonText, SURENESS, suggestionsText } from './suggesting.ts'
import {
  judgeTogether,
  leadsOf,
  missingLead,
  type Suggested,
  type Together,
  trialsOf,
  troublesOf,
} from './suggestion-troubles.ts'

/** Takes many suggestions as one act, after a list of what that does, its worst first. */
export function TakeSuggestions({ offered }: { offered: readonly Suggested[] }) {
  const [isOpen, setOpen] = useState(false)
  if (offered.length === 0) return null
  return (
    <>
      <ActButton aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {count(offered.length, 'suggestion')} …
      </ActButton>
      <Dialog title="What is suggested" open={isOpen} width="980px" onClose={() => setOpen(false)}>
        <Suggestions offered={offered} onDone={() => setOpen(false)} />
      </Dialog>
    </>
  )
}

function Suggestions({ offered, onDone }: { offered: readonly Suggested[]; onDone(): void }) {
  const { roles, store } = usePlan()
  const { rows } = useClusters()
  const plan = usePlanSoFar()
  const met = useMeeting()
  const { safe, troubles, isJudged } = useTogether(offered, met)
  const [from, setFrom] = useState<number>(SURENESS[1].from)
  const [changed, setChanged] = useState<ReadonlyMap<OpaqueKey, boolean>>(new Map())
  const surenessOf = ({ taken }: Suggested) => Math.min(...taken.map(({ sureness }) => sureness))
  const isTicked = (each: Suggested) =>
    changed.get(each.row.cluster.lead) ?? (safe.has(each) && surenessOf(each) >= from)
  const wanted = offered.filter(isTicked)
  const leads = leadsOf(wanted, rows)
  const ticked = wanted.filter((each) => missingLead(each, leads) === null)
  const tried = useSameItems(ticked)
  const judged = useConsequence(
    useMemo(() => trialsOf(tried), [tried]),
    plan,
  )
  const { judgement } = judged
  const troublesNow = useMemo(() => (judgement ? troublesOf(met(judgement), tried) : NONE), [met, judgement, tried])
  /** Of what is ticked, what it does with the others that are; else what it would do with all of them. */
  const troubleOf = (each: Suggested, isTaken: boolean) =>
    (isTaken ? troublesNow : safe.has(each) ? null : troubles)?.get(each.row.cluster.lead)
  const severity = (each: Suggested) => troubleOf(each, false)?.severity ?? 0
  const listed = offered.toSorted((a, b) => severity(b) - severity(a) || b.row.count - a.row.count)
  const take = () => {
    const decisions = ticked.flatMap(({ row, taken }) => decisionsFor(row, taken, () => crypto.randomUUID()))
    store.act({ kind: 'decide', decisions })
    onDone()
  }
  return (
    <Flex direction="column" gap="3" fontSize="13px">
      <Flex gap="3" align="center" wrap="wrap">
        <Text flex="1 1 300px">
          From what the colours are called and used for. What would do harm together with the others stands first and is
          not ticked.
        </Text>
        <Flex gap="2" role="group" aria-label="Tick those that are">
          {SURENESS.map(({ name, from: least }) => (
            <ActButton
              key={name}
              h="28px"
              aria-pressed={from === least && changed.size === 0}
              bg={from === least && changed.size === 0 ? 'tint' : 'sheet'}
              onClick={() => {
                setFrom(least)
                setChanged(new Map())
              }}
            >
              {name === 'sure' ? 'sure' : name === 'likely' ? 'likely or sure' : 'all'}
            </ActButton>
          ))}
        </Flex>
      </Flex>
      <TickList label="Suggestions">
        {listed.map((each) => {
          const { row, taken } = each
          const { lead } = row.cluster
          const missing = missingLead(each, leads)
          const isTaken = isTicked(each) && missing === null
          const trouble = troubleOf(each, isTaken)
          const role = roles.find(({ id }) => taken[0]?.to.kind === 'role' && taken[0].to.role === id)
          return (
            <TickRow
              key={lead}
              checked={isTaken}
              disabled={missing !== null}
              onCheck={(checked) => setChanged(new Map(changed).set(lead, checked))}
            >
              <Swatch color={lead} size="24px" borderRadius="0" />
              <Text fontFamily="mono" w="78px">
                {lead}
              </Text>
              <Text w="80px" whiteSpace="nowrap">
                {count(placesOf(row, taken), 'place')}
              </Text>
              <span aria-hidden>→</span>
              <Swatch color={role?.color ?? null} size="24px" borderRadius="0" />
              <Box minW="110px" flex="1 1 110px">
                <Text fontWeight="600" lineClamp={2}>
                  {suggestionsText(taken, roles)}
                </Text>
                <Text color="soft" truncate>
                  {reasonText(taken)}
                </Text>
              </Box>
              {missing !== null ? (
                <Text flex="0 1 300px" minW="120px" textAlign="right" color="soft">
                  waits for {missing} to be decided
                </Text>
              ) : trouble ? (
                <Text flex="0 1 300px" minW="120px" textAlign="right">
                  <span aria-hidden>▲</span> {trouble.says}
                </Text>
              ) : null}
            </TickRow>
          )
        })}
      </TickList>
      <Warnings judgement={judgement} isCurrent={isJudged && judged.isCurrent} />
      <Flex justify="space-between" align="center" gap="3">
        <Text aria-live="polite">
          {count(ticked.length, 'suggestion')} {are(ticked.length)} ticked:{' '}
          {count(
            ticked.reduce((sum, { row, taken }) => sum + placesOf(row, taken), 0),
            'place',
          )}
          .
        </Text>
        <Flex gap="2">
          <ActButton main disabled={ticked.length === 0} onClick={take}>
            Take the {ticked.length} that {are(ticked.length)} ticked
          </ActButton>
          <ActButton onClick={onDone}>Take none</ActButton>
        </Flex>
      </Flex>
    </Flex>
  )
}

const NONE: Together['troubles'] = new Map()

/** What meets in what is offered. The list is there at once, what meets in it is judged aside: until then nothing is safe. */
function useTogether(
  offered: readonly Suggested[],
  met: (judgement: Judgement) => Judgement,
): { readonly safe: ReadonlySet<Suggested>; readonly troubles: Together['troubles']; readonly isJudged: boolean } {
  const ask = useAskConsequence()
  const [held, setHeld] = useState<{ readonly offered: readonly Suggested[]; readonly together: Together } | null>(null)
  useEffect(() => {
    const left = new AbortController()
    const judge = async (trials: readonly Decision[]) => met(await ask(trials, left.signal))
    void judgeTogether(offered, judge).then((together) => {
      if (!left.signal.aborted) setHeld({ offered, together })
    })
    return () => left.abort()
  }, [offered, ask, met])
  const safe = useMemo(() => new Set(held?.together.safe), [held])
  return { safe, troubles: held?.together.troubles ?? NONE, isJudged: held?.offered === offered }
}
