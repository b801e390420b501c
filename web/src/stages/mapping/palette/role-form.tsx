import { Box, chakra, Field, Flex, Input, Text } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { roleSchema } from '@undo-ink/contracts'
import {
  groundsOf,
  type Made,
  madeColor,
  type Role,
  readRoleColor,
  SERVES,
  type Serves,
  sameRoleName,
  servesOf,
  toHex,
} from '@undo-ink/core'
import { type ReactNode, useState } from 'react'
import { useForm } from 'react-hook-form'
import { ActButton } from '../../../components/act-button.tsx'
import { Segments } from '../../../components/segments.tsx'
import { Sheet } from '../../../components/sheet.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { PickDialog } from '../../../picking/pick-dialog.tsx'
import { useWork } from '../../../work/work.tsx'
import { MadeFields } from './made-fields.tsx'
import { PickedColor } from './picked-color.tsx'
import { stateRoles } from './proposals.ts'

const formSchema = roleSchema.pick({ name: true, color: true })
const SERVES_SEGMENTS = SERVES.map((value) => ({ value, text: value }))

/** One role: its name, its color, and what it is for. @param role null: a new one */
export function RoleForm({ role, onDone }: { role: Role | null; onDone(): void }) {
  const { roles, store } = useWork()
  const { register, handleSubmit, formState, setError, setValue, watch, reset } = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { name: role?.name ?? '', color: role?.color ?? '' },
  })
  const [name, typed] = [watch('name'), watch('color')]
  const [serves, setServes] = useState<Serves | null>(role?.serves ?? null)
  const [on, setOn] = useState<readonly string[] | null>(role?.on ?? null)
  const [made, setMade] = useState<Made | null>(role?.made ?? null)
  const [isPicking, setPicking] = useState(false)
  const shown = serves ?? servesOf({ name })
  const make = (next: Made | null) => {
    setMade(next)
    const base = readRoleColor(roles.find(({ id }) => id === next?.from)?.color ?? '')
    if (next && typeof base !== 'string') setValue('color', toHex(madeColor(base, next)), { shouldValidate: true })
  }
  const submit = handleSubmit(({ name, color }) => {
    const read = readRoleColor(color)
    if (read === 'not-a-color')
      return setError('color', { message: `${color} is not a colour; write it as CSS does, such as #0b6e74` })
    if (read === 'not-opaque') return setError('color', { message: 'A role is opaque; each place keeps its own alpha' })
    if (roles.some((other) => other.id !== role?.id && sameRoleName(other.name, name)))
      return setError('name', { message: `There is a role called ${name} already` })
    const next: Role = {
      id: role?.id ?? crypto.randomUUID(),
      name,
      color: color.trim(),
      ...(serves === null ? {} : { serves }),
      ...(on === null ? {} : { on }),
      ...(made === null ? {} : { made }),
    }
    store.changePalette(role ? roles.map((other) => (other.id === role.id ? next : other)) : [...roles, next])
    reset({ name: '', color: '' })
    setServes(null)
    setOn(null)
    setMade(null)
    onDone()
  })
  return (
    <Sheet as="section" aria-label={role ? `Change ${role.name}` : 'New role'} p="3" flex="none">
      <PickDialog
        open={isPicking}
        onClose={() => setPicking(false)}
        beside={(picked) => (
          <PickedColor
            picked={picked}
            onTake={(color) => {
              setValue('color', color, { shouldValidate: true })
              setPicking(false)
            }}
          />
        )}
      />
      <form onSubmit={submit} noValidate>
        <Flex gap="3" wrap="wrap" align="flex-start">
          <TextField label="What it is for" problem={formState.errors.name?.message}>
            <Input {...register('name')} size="sm" borderColor="strong" autoComplete="off" placeholder="soft text" />
          </TextField>
          <TextField wide label="Colour, in any CSS notation" problem={formState.errors.color?.message}>
            <Flex gap="2" w="100%" align="center">
              <Input
                {...register('color')}
                size="sm"
                borderColor="strong"
                fontFamily="mono"
                autoComplete="off"
                spellCheck={false}
                placeholder="#5a6870"
                readOnly={made !== null}
              />
              <Swatch color={typeof readRoleColor(typed) === 'string' ? null : typed} size="30px" />
              {made === null ? (
                <ActButton h="30px" px="2" onClick={() => setPicking(true)}>
                  Pick …
                </ActButton>
              ) : null}
            </Flex>
          </TextField>
          <Box>
            <Text fontSize="13px" mb="1.5">
              Used for
            </Text>
            <Segments
              label="Used for"
              segments={SERVES_SEGMENTS}
              value={shown}
              height={30}
              onChoose={(next) => setServes(next)}
            />
          </Box>
        </Flex>
        <MadeFields role={role} made={made} onChange={make} />
        {role && shown !== 'line' ? <Proposal role={role} onDone={onDone} /> : null}
        {role && shown !== 'ground' ? <Grounds role={{ ...role, name }} on={on} onChoose={setOn} /> : null}
        <Flex gap="2" mt="2" justify="flex-end">
          <ActButton type="submit" main>
            {role ? 'Save the change' : 'Add the role'}
          </ActButton>
          {role ? <ActButton onClick={onDone}>Cancel</ActButton> : null}
        </Flex>
      </form>
    </Sheet>
  )
}

/** The act that adds roles for the states of one. */
function Proposal({ role, onDone }: { role: Role; onDone(): void }) {
  const { roles, store } = useWork()
  const proposed = stateRoles(role, roles, () => crypto.randomUUID())
  if (proposed.length === 0) return null
  return (
    <Flex gap="2" mt="2" align="center" fontSize="13px" wrap="wrap">
      <ActButton
        h="28px"
        onClick={() => {
          store.changePalette([...roles, ...proposed])
          onDone()
        }}
      >
        Add its states
      </ActButton>
      {proposed.map(({ id, name, color }) => (
        <Flex key={id} align="center" gap="1">
          <Swatch color={color} size="16px" /> {name}
        </Flex>
      ))}
    </Flex>
  )
}

interface GroundsProps {
  readonly role: Role
  /** null: what its name says. */
  readonly on: readonly string[] | null
  onChoose(on: readonly string[]): void
}

/** The grounds that a text or a line stands on, by which it is judged. */
function Grounds({ role, on, onChoose }: GroundsProps) {
  const { roles } = useWork()
  const grounds = roles.filter((other) => other.id !== role.id && servesOf(other) === 'ground')
  const chosen = on ?? groundsOf({ name: role.name }, roles).map(({ id }) => id)
  return (
    <Flex as="fieldset" gap="3" wrap="wrap" mt="2" fontSize="13px" align="center">
      <chakra.legend float="left" mr="2" color="soft">
        Stands on
      </chakra.legend>
      {grounds.map(({ id, name, color }) => (
        <Flex as="label" key={id} gap="1.5" align="center" cursor="pointer">
          <input
            type="checkbox"
            checked={chosen.includes(id)}
            onChange={() => onChoose(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id])}
          />
          <Swatch color={color} size="14px" /> {name}
        </Flex>
      ))}
    </Flex>
  )
}

interface TextFieldProps {
  readonly label: string
  readonly problem: string | undefined
  readonly wide?: boolean
  readonly children: ReactNode
}

function TextField({ label, problem, wide = false, children }: TextFieldProps) {
  return (
    <Field.Root invalid={problem !== undefined} w={wide ? '236px' : '160px'}>
      <Field.Label fontSize="13px">{label}</Field.Label>
      {children}
      {problem ? (
        <Field.ErrorText fontWeight="600">
          <chakra.span aria-hidden>▲</chakra.span> <Box as="span">{problem}</Box>
        </Field.ErrorText>
      ) : null}
    </Field.Root>
  )
}
