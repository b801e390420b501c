import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import type { Becoming, Decision, PlanEvent } from '@undo-ink/core'
import { memo, useDeferredValue, useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Dialog } from '../../../components/dialog.tsx'
import { type Segment, Segments } from '../../../components/segments.tsx'
import { count } from '../../../components/words.ts'
import { DecisionsWarnings } from '../../../judging/decisions-warnings.tsx'
import { useSeen } from '../../../judging/use-seen.ts'
import { decisionText } from '../../../work/decision-words.ts'
import type { Row } from '../../../work/standing.ts'
import { useCopy, usePlan } from '../../../work/work.tsx'
import { absentSelectors } from './absent.ts'
import { BecomingChoice } from './becoming-choice.tsx'
import { LimitFields } from './limit-fields.tsx'
import { otherStates, stateDecisions } from './other-states.ts'
import { OtherStatesList } from './other-states-list.tsx'
import { ReachedPlaces } from './reached-places.tsx'
import { DIMENSIONS, type Limits, limitedTarget, scopeOptions } from './scope-options.ts'
import { scopeReach } from './scope-reach.ts'
import { AS_EACH_IS, type SeeThrough, SeeThroughChoice, seeThroughOf } from './see-through.tsx'

interface ScopeDialogProps {
  /** The row whose places are limited; null: closed. */
  readonly row: Row | null
  onClose(): void
}

/** Decides about some of a row's places: which, seen as they are chosen, what they become, and how see-through they are. */
export const ScopeDialog = memo(function ScopeDialog({ row, onClose }: ScopeDialogProps) {
  return (
    <Dialog
      title={row ? `Only some places of ${row.cluster.lead}` : ''}
      open={row !== null}
      width="1080px"
      onClose={onClose}
    >
      {row ? <Scoping row={row} onDone={onClose} /> : null}
    </Dialog>
  )
})

type Side = 'there' | 'elsewhere'

const SIDES: readonly Segment<Side>[] = [
  { value: 'there', text: 'Only there' },
  { value: 'elsewhere', text: 'Everywhere but there' },
]

function Scoping({ row, onDone }: { row: Row; onDone(): void }) {
  const { places, sitePages } = useCopy()
  const { roles, store } = usePlan()
  const { pages } = sitePages
  const own = useMemo(() => places.some(row.indices), [places, row])
  const options = useMemo(() => scopeOptions(own, places.ledger, pages), [own, places, pages])
  const [limits, setLimits] = useState<Limits>(row.use === null ? {} : { use: row.use })
  const [to, setTo] = useState<Becoming>(roles[0] ? { kind: 'role', role: roles[0].id } : { kind: 'keep' })
  const [side, setSide] = useState<Side>('there')
  const [seeThrough, setSeeThrough] = useState<SeeThrough>(AS_EACH_IS)
  const shown = useDeferredValue(limits)
  const plain = useMemo(() => limitedTarget(row.cluster.members, shown), [row, shown])
  const all = useMemo(() => scopeReach(plain, own, pages), [plain, own, pages])
  const seen = useSeen(all.part.length > 0)
  const absent = useMemo(() => absentSelectors(all, seen), [all, seen])
  const [insists, setInsists] = useState(false)
  const target = useMemo(
    () => (absent.length === 0 || insists ? plain : { ...plain, scope: { ...plain.scope, absent } }),
    [plain, absent, insists],
  )
  const reach = useMemo(() => scopeReach(target, own, pages), [target, own, pages])
  const isLimited = DIMENSIONS.some((dimension) => limits[dimension] !== undefined)
  const isElsewhere = side === 'elsewhere' && isLimited
  const taken = reach.all.length + reach.part.length
  const painted = useMemo(
    () => (to.kind === 'role' || to.kind === 'color' ? seeThroughOf(seeThrough) : {}),
    [to, seeThrough],
  )
  const there = useMemo(
    (): Omit<Decision, 'id'> => (isElsewhere ? { target, to: { kind: 'keep' } } : { target, to, ...painted }),
    [target, to, isElsewhere, painted],
  )
  const decided = useMemo(() => [...reach.all, ...reach.part].map(({ place }) => place), [reach])
  const states = useMemo(
    () => (isLimited && !isElsewhere ? otherStates(decided, row.cluster.members, places) : []),
    [decided, row, places, isLimited, isElsewhere],
  )
  const [stateRoles, setStateRoles] = useState<ReadonlyMap<string, string>>(new Map())
  const others = useMemo(() => stateDecisions(states, stateRoles, limits), [states, stateRoles, limits])
  const trials = useMemo(() => [there, ...others].map((each, i) => ({ ...each, id: `trial ${i}` })), [there, others])
  const decide = () => {
    const whole = limitedTarget(row.cluster.members, row.use === null ? {} : { use: row.use })
    const decisions = [...(isElsewhere ? [{ target: whole, to, ...painted }] : []), there, ...others]
    const event: PlanEvent = {
      kind: 'decide',
      decisions: decisions.map((each) => ({ ...each, id: crypto.randomUUID() })),
    }
    store.act(event)
    onDone()
  }
  return (
    <Flex gap="5" direction={{ base: 'column', md: 'row' }} align="stretch">
      <LimitFields options={options} limits={limits} onChange={setLimits} />
      <Flex flex="1" minW="0" direction="column" gap="3">
        <ReachedPlaces reach={reach} isElsewhere={isElsewhere} seen={seen} />
        {states.length > 0 ? (
          <OtherStatesList states={states} roles={roles} chosen={stateRoles} onChoose={setStateRoles} />
        ) : null}
        {absent.length > 0 ? (
          <chakra.label display="flex" gap="2" fontSize="13px" alignItems="baseline">
            <input type="checkbox" checked={insists} onChange={({ target: { checked } }) => setInsists(checked)} />
            <span>
              Write rules also for {count(absent.length, 'selector')} that no page has there (
              <Text as="span" fontFamily="mono">
                {absent.slice(0, 2).join(', ')}
                {absent.length > 2 ? ' …' : ''}
              </Text>
              ): a script may add it.
            </span>
          </chakra.label>
        ) : null}
        <DecisionsWarnings decisions={trials} />
        <Flex gap="3" wrap="wrap" align="center">
          <Segments<Side> label="Which side of the limits" segments={SIDES} value={side} onChoose={setSide} />
          <BecomingChoice to={to} roles={roles} onChoose={setTo} />
          {to.kind === 'role' || to.kind === 'color' ? (
            <SeeThroughChoice roles={roles} value={seeThrough} onChoose={setSeeThrough} />
          ) : null}
        </Flex>
        <Flex mt="auto" gap="3" align="center" justify="space-between">
          <Text fontSize="13px" aria-live="polite">
            {taken === 0 ? (
              <Box as="span" fontWeight="600">
                <span aria-hidden>▲</span> No place agrees with all of this: nothing would be taken.
              </Box>
            ) : (
              `${count(taken, 'place')}: ${decisionText(there, roles)}${others.length > 0 ? `, and ${count(others.length, 'other state')}` : ''}${isElsewhere ? '; everywhere else it is changed' : ''}`
            )}
          </Text>
          <ActButton main flex="none" disabled={taken === 0} onClick={decide}>
            Decide
          </ActButton>
        </Flex>
      </Flex>
    </Flex>
  )
}
