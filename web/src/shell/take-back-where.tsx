import { Box, Flex, Text } from '@chakra-ui/react'
import { UNWRITABLE_WORDS } from '@undo-ink/contracts'
import { countBy, type Decision, isRewritten, type Resolver, resolver, type Scope } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../components/act-button.tsx'
import { Choice } from '../components/choice.tsx'
import { PopupButton } from '../components/popup-button.tsx'
import { count, shownPath } from '../components/words.ts'
import { DecisionsWarnings } from '../judging/decisions-warnings.tsx'
import type { PlaceOf } from '../work/places.ts'
import { useCopy, usePlan } from '../work/work.tsx'

/** Takes back what was decided in one file or on one page: there all stays as it came, whatever is decided elsewhere. */
export function TakeBackWhere() {
  return (
    <Box px="5" py="2" borderBottomWidth="1px">
      <PopupButton label="Take back in one file or page" width="380px">
        {() => <Where />}
      </PopupButton>
    </Box>
  )
}

function Where() {
  const { places, sitePages } = useCopy()
  const { outcomes, state, roles, store } = usePlan()
  const changed = useMemo(
    () =>
      places.some(
        Array.from(outcomes.codes.keys()).filter((index) => {
          const outcome = outcomes.values[outcomes.codes[index] as number]
          return outcome !== undefined && isRewritten(outcome)
        }),
      ),
    [places, outcomes],
  )
  const files = useMemo(() => [...countBy(changed, ({ path }) => path)].toSorted((a, b) => b[1] - a[1]), [changed])
  const pages = sitePages.pages.map(({ path }) => path)
  const [chosen, setChosen] = useState<string | null>(null)
  const value = chosen ?? (files[0] ? `file ${files[0][0]}` : '')
  const scope = useMemo(() => scopeOf(value), [value])
  const trials = useMemo((): [Decision] => {
    const colors = [...new Set(state.decisions.flatMap(({ target }) => target.colors))].toSorted()
    return [{ id: 'trial', target: { colors, scope }, to: { kind: 'keep' } }]
  }, [state.decisions, scope])
  const [trial] = trials
  const found = useMemo(
    () => effectOf(changed, resolver([...state.decisions, trial], roles, sitePages.pages, state.confirmations)),
    [changed, state.decisions, state.confirmations, trial, roles, sitePages],
  )
  if (files.length === 0) return <Text fontSize="13px">Nothing is decided that would change a file.</Text>
  return (
    <Flex direction="column" gap="2" fontSize="13px">
      <Choice
        label="In"
        value={value}
        options={[
          ...files.map(([path, times]) => [`file ${path}`, `${shownPath(path)} (${times})`] as const),
          ...pages.map((path) => [`page ${path}`, `page ${shownPath(path)}`] as const),
        ]}
        onChoose={setChosen}
      />
      <Text>
        {count(found.kept, 'place')} would stay as they came
        {found.inPart > 0 ? `, and ${count(found.inPart, 'place')} on that page alone, by rules of their own` : ''}.
      </Text>
      {found.narrower > 0 ? (
        <Text>
          <b>
            <span aria-hidden>▲</span> {count(found.narrower, 'place')}
          </b>{' '}
          there {found.narrower === 1 ? 'has' : 'have'} a narrower decision, which still holds: take that back by
          itself.
        </Text>
      ) : null}
      {[...found.unwritable].map(([why, times]) => (
        <Text key={why}>
          <b>
            <span aria-hidden>▲</span> {count(times, 'place')}
          </b>{' '}
          cannot be parted from other pages: {why}.
        </Text>
      ))}
      <DecisionsWarnings decisions={trials} />
      <ActButton
        disabled={found.kept + found.inPart === 0}
        onClick={() => store.act({ kind: 'decide', decisions: [{ ...trial, id: crypto.randomUUID() }] })}
      >
        Take back there
      </ActButton>
    </Flex>
  )
}

function scopeOf(value: string): Scope {
  const [kind, ...path] = value.split(' ')
  return kind === 'page' ? { page: path.join(' ') } : { file: path.join(' ') }
}

/** What the trial does with the places that are changed now. */
function effectOf(changed: readonly PlaceOf[], after: Resolver) {
  const found = { kept: 0, inPart: 0, narrower: 0, unwritable: new Map<string, number>() }
  for (const place of changed) {
    const reach = after.reached(place).find(({ decision }) => decision.id === 'trial')?.reach
    const outcome = after.outcome(place)
    if ('decision' in outcome && outcome.decision.id === 'trial') found.kept++
    else if (reach?.kind === 'all') found.narrower++
    else if (reach?.kind === 'part') found.inPart++
    else if (reach?.kind === 'unwritable') {
      const why = UNWRITABLE_WORDS[reach.why]
      found.unwritable.set(why, (found.unwritable.get(why) ?? 0) + 1)
    }
  }
  return found
}
