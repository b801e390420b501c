import { Box, Flex, Text } from '@chakra-ui/react'
import { type Becoming, canBecomeGradient, type Decision, isStop, type Role } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { Note } from '../../components/note.tsx'
import { count } from '../../components/words.ts'
import { DecisionsWarnings } from '../../judging/decisions-warnings.tsx'
import type { PlaceOf } from '../../work/places.ts'
import type { Row } from '../../work/standing.ts'
import { useCopy, usePlan } from '../../work/work.tsx'
import { decisionOf } from './deciding.ts'
import { liesUnder } from './lies-under.ts'

/** Makes a gradient of roles of a row's solid grounds, or solids of the gradients in which it stands; says beforehand where that can be. */
export function Gradients({ row, onGive }: { row: Row; onGive(to: Becoming): void }) {
  const { places } = useCopy()
  const { roles } = usePlan()
  const own = useMemo(() => places.some(row.indices), [places, row])
  const solids = useMemo(() => own.filter(canBecomeGradient), [own])
  const stops = own.filter(isStop).length
  if (roles.length === 0 || solids.length + stops === 0) return null
  return (
    <>
      {solids.length > 0 ? <ToGradient solids={solids} all={own.length} roles={roles} onGive={onGive} /> : null}
      {stops > 0 ? <ToSolid row={row} stops={stops} roles={roles} /> : null}
    </>
  )
}

const ANGLES = [0, 45, 90, 135, 180].map((angle) => [String(angle), `${angle}°`] as const)

interface ToGradientProps {
  readonly solids: readonly PlaceOf[]
  readonly all: number
  readonly roles: readonly Role[]
  onGive(to: Becoming): void
}

function ToGradient({ solids, all, roles, onGive }: ToGradientProps) {
  const { places, taking } = useCopy()
  const [from, setFrom] = useState(roles[0]?.id ?? '')
  const [to, setTo] = useState(roles[1]?.id ?? from)
  const [angle, setAngle] = useState('180')
  const options = roles.map(({ id, name }) => [id, name] as const)
  const under = useMemo(() => liesUnder(solids, places, taking.list()), [solids, places, taking])
  return (
    <div>
      <Text>A gradient of roles</Text>
      <Flex gap="2" wrap="wrap" align="center" mt="1">
        <Choice label="from" value={from} options={options} onChoose={setFrom} />
        <Choice label="to" value={to} options={options} onChoose={setTo} />
        <Choice label="at" value={angle} options={ANGLES} onChoose={setAngle} />
        <ActButton
          h="28px"
          onClick={() => onGive({ kind: 'gradient', stops: [{ role: from }, { role: to }], angle: Number(angle) })}
        >
          Become it
        </ActButton>
      </Flex>
      <Text mt="1" fontSize="12px" color="soft">
        In {count(solids.length, 'ground')}
        {solids.length < all ? `; ${count(all - solids.length, 'other place stays', 'other places stay')} open` : ''}.
      </Text>
      {under.length > 0 ? (
        <Box mt="2">
          <Note shape="▲" title="The gradient would lie over other grounds">
            <Text as="span" fontFamily="mono">
              {under[0]}
            </Text>
            {under.length > 1 ? ` and ${count(under.length - 1, 'other rule')}` : ''}{' '}
            {under.length > 1 ? 'set' : 'sets'} background-color alone, which takes no gradient away.
          </Note>
        </Box>
      ) : null}
    </div>
  )
}

function ToSolid({ row, stops, roles }: { row: Row; stops: number; roles: readonly Role[] }) {
  const { store } = usePlan()
  const [role, setRole] = useState(roles[0]?.id ?? '')
  const decisions = useMemo(
    (): Decision[] => [{ ...decisionOf(row, { kind: 'role', role }, crypto.randomUUID()), solid: true }],
    [row, role],
  )
  return (
    <div>
      <Text>Its gradients as a whole</Text>
      <Flex gap="2" align="center" mt="1">
        <Choice
          label="solid"
          value={role}
          options={roles.map(({ id, name }) => [id, name] as const)}
          onChoose={setRole}
        />
        <ActButton h="28px" onClick={() => store.act({ kind: 'decide', decisions })}>
          Make them solid
        </ActButton>
      </Flex>
      <Text mt="1" fontSize="12px" color="soft">
        It is a stop in {count(stops, 'place')}: their other stops go with it. All else of the row takes the role, too.
      </Text>
      <Flex direction="column" gap="1.5" mt="2">
        <DecisionsWarnings decisions={decisions} />
      </Flex>
    </div>
  )
}
