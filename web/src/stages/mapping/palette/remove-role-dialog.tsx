import { Flex, Text } from '@chakra-ui/react'
import type { Role } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Choice } from '../../../components/choice.tsx'
import { Dialog } from '../../../components/dialog.tsx'
import { count } from '../../../components/words.ts'
import { DecisionsWarnings } from '../../../judging/decisions-warnings.tsx'
import { RolesWarnings } from '../../../judging/roles-warnings.tsx'
import { usePlan } from '../../../work/work.tsx'
import { decisionsFor } from './removing.ts'

interface RemoveRoleDialogProps {
  /** null: none is removed. */
  readonly role: Role | null
  /** How many places take it. */
  readonly places: number
  onClose(): void
}

/** Asks where what takes a role goes, before the role is removed. */
export function RemoveRoleDialog({ role, places, onClose }: RemoveRoleDialogProps) {
  return (
    <Dialog title={role ? `Remove ${role.name}` : ''} open={role !== null} width="448px" alert onClose={onClose}>
      {role ? <Question role={role} places={places} onClose={onClose} /> : null}
    </Dialog>
  )
}

function Question({ role, places, onClose }: RemoveRoleDialogProps & { readonly role: Role }) {
  const { roles, state, store } = usePlan()
  const [to, setTo] = useState('')
  const others = useMemo(() => roles.filter(({ id }) => id !== role.id), [roles, role])
  const decisions = useMemo(
    () => (to === '' ? [] : decisionsFor(state.decisions, role.id, to, () => crypto.randomUUID())),
    [state, role, to],
  )
  const remove = () => {
    if (decisions.length > 0) store.act({ kind: 'decide', decisions })
    store.changePalette(others)
    onClose()
  }
  return (
    <>
      <Text fontSize="13px" mb="3">
        {count(places, 'place takes', 'places take')} it. Undo brings everything back.
      </Text>
      <Choice
        label="They"
        value={to}
        options={[['', 'are open again'], ...others.map(({ id, name }) => [id, `take ${name}`] as const)]}
        onChoose={setTo}
      />
      <Flex direction="column" gap="1.5" mt="3" fontSize="13px">
        {to === '' ? <RolesWarnings roles={others} /> : <DecisionsWarnings decisions={decisions} />}
      </Flex>
      <Flex gap="2" mt="4" justify="flex-end">
        <ActButton onClick={onClose}>Keep the role</ActButton>
        <ActButton main onClick={remove}>
          Remove it
        </ActButton>
      </Flex>
    </>
  )
}
