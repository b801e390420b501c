import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import {
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
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { ActButton } from '../../../components/act-button.tsx'
import { CodeInput } from '../../../components/code-input.tsx'
import { HashOffer } from '../../../components/hash-offer.tsx'
import { Segments } from '../../../components/segments.tsx'
import { Sheet } from '../../../components/sheet.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { TextField } from '../../../components/text-field.tsx'
import { PickDialog } from '../../../picking/pick-dialog.tsx'
import { usePlan } from '../../../work/work.tsx'
import { MadeFields } from './made-fields.tsx'
import { PickedColor } from './picked-color.tsx'
import { RoleExtras } from './role-extras.tsx'
import { type RoleFormValues, roleFormSchema, valuesOf } from './role-form-values.ts'
import { RoleGrounds } from './role-grounds.tsx'
import { StateProposal } from './state-proposal.tsx'
import { ValueConsequence } from './value-consequence.tsx'

const SERVES_SEGMENTS = SERVES.map((value) => ({ value, text: value }))

/** Why a text can be no color of a role; null: it can. */
function colorProblem(text: string): string | null {
  const read = readRoleColor(text)
  if (read === 'not-a-color') return `${text} is not a colour; write it as CSS does, such as #0b6e74`
  return read === 'not-opaque' ? 'A role is opaque; each place keeps its own alpha' : null
}

/** One role: its name, its color, and what it is for. @param role null: a new one */
export function RoleForm({ role, onDone }: { role: Role | null; onDone(): void }) {
  const { roles, store } = usePlan()
  const { register, handleSubmit, formState, setError, setValue, watch, reset } = useForm({
    resolver: zodResolver(roleFormSchema),
    defaultValues: valuesOf(role),
  })
  const [name, typed, description] = [watch('name'), watch('color'), watch('description')]
  const [serves, setServes] = useState<Serves | null>(role?.serves ?? null)
  const [on, setOn] = useState<readonly string[] | null>(role?.on ?? null)
  const [made, setMade] = useState<Made | null>(role?.made ?? null)
  const [isPicking, setPicking] = useState(false)
  const shown = serves ?? servesOf({ name, description })
  const make = (next: Made | null) => {
    setMade(next)
    const base = readRoleColor(roles.find(({ id }) => id === next?.from)?.color ?? '')
    if (next && typeof base !== 'string') setValue('color', toHex(madeColor(base, next)), { shouldValidate: true })
  }
  const submit = handleSubmit(({ name, color, ...rest }) => {
    const extras = Object.fromEntries(
      Object.entries(rest).flatMap(([key, text]) => (text.trim() ? [[key, text.trim()]] : [])),
    )
    for (const [key, text] of Object.entries({ color, dark: extras.dark, print: extras.print })) {
      const problem = text === undefined ? null : colorProblem(text)
      if (problem) return setError(key as keyof RoleFormValues, { message: problem })
    }
    if (roles.some((other) => other.id !== role?.id && sameRoleName(other.name, name)))
      return setError('name', { message: `There is a role called ${name} already` })
    const next: Role = {
      id: role?.id ?? crypto.randomUUID(),
      name,
      color: color.trim(),
      ...extras,
      ...(serves === null ? {} : { serves }),
      ...(on === null ? {} : { on }),
      ...(made === null ? {} : { made }),
    }
    store.changePalette(role ? roles.map((other) => (other.id === role.id ? next : other)) : [...roles, next])
    reset(valuesOf(null))
    setServes(null)
    setOn(null)
    setMade(null)
    onDone()
  })
  const problems = formState.errors
  return (
    <Sheet
      as="section"
      aria-label={role ? `Change ${role.name}` : 'New role'}
      p="3"
      flex="0 1 auto"
      minH={{ lg: '200px' }}
      overflow="auto"
    >
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
          <TextField label="What it is for" problem={problems.name?.message}>
            <Input {...register('name')} size="sm" autoComplete="off" list="jobs" placeholder="soft text" />
          </TextField>
          <TextField width="236px" label="Colour, in any CSS notation" problem={problems.color?.message}>
            <Flex gap="2" w="100%" align="center">
              <CodeInput {...register('color')} size="sm" placeholder="#5a6870" readOnly={made !== null} />
              <Swatch color={typeof readRoleColor(typed) === 'string' ? null : typed} size="30px" />
              <HashOffer typed={typed} onTake={(color) => setValue('color', color, { shouldValidate: true })} />
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
        <RoleExtras
          register={register}
          problems={problems}
          values={{ dark: watch('dark'), print: watch('print') }}
          startsOpen={Boolean(role && (role.dark ?? role.print ?? role.description))}
        />
        {role && shown !== 'line' ? <StateProposal role={role} onDone={onDone} /> : null}
        {role && shown !== 'ground' ? <RoleGrounds role={{ ...role, name }} on={on} onChoose={setOn} /> : null}
        {role && typeof readRoleColor(typed) !== 'string' ? (
          <ValueConsequence role={role} color={typed} made={made} />
        ) : null}
        <Flex gap="2" mt="2" justify="flex-end" position="sticky" bottom="-12px" py="2" bg="sheet">
          <ActButton type="submit" main>
            {role ? 'Save the change' : 'Add the role'}
          </ActButton>
          {role ? <ActButton onClick={onDone}>Cancel</ActButton> : null}
        </Flex>
      </form>
    </Sheet>
  )
}
