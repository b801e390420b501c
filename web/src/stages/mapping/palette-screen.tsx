import { Box, chakra, Field, Flex, Input, Table, Text } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { roleSchema } from '@undo-ink/contracts'
import {
  type Column,
  inSrgb,
  inSrgbGamut,
  type Outcome,
  type Role,
  readRoleColor,
  sameRoleName,
  toHex,
} from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { useForm } from 'react-hook-form'
import { ActButton } from '../../components/act-button.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { count, number } from '../../components/words.ts'
import { countBy } from '../../work/places.ts'
import { useWork } from '../../work/work.tsx'

/** How many places take each role, by its id. */
function placesPerRole({ codes, values }: Column<Outcome>): Map<string, number> {
  const perOutcome = countBy(codes, (code) => code)
  const perRole = new Map<string, number>()
  values.forEach((outcome, code) => {
    if (outcome.kind !== 'role') return
    perRole.set(outcome.role.id, (perRole.get(outcome.role.id) ?? 0) + (perOutcome.get(code) ?? 0))
  })
  return perRole
}

/** The roles of the brand. Every change is a new version of the palette, and can be undone. */
export function PaletteScreen() {
  const { roles, outcomes, store } = useWork()
  const [editing, setEditing] = useState<Role | null>(null)
  const perRole = useMemo(() => placesPerRole(outcomes), [outcomes])
  const placesOf = (role: Role) => perRole.get(role.id) ?? 0
  return (
    <>
      <StageHead
        title="Palette"
        sentence={`${count(roles.length, 'role')} of the brand. A change moves this site's plan along at once, and can be undone.`}
      />
      <Flex gap="4" align="flex-start" wrap="wrap">
        <Sheet flex="1 1 480px" overflow="auto">
          {roles.length === 0 ? (
            <Text p="5" color="soft">
              No roles yet. Begin with the colour that the client names first, and the text that stands on it.
            </Text>
          ) : (
            <Table.Root size="sm" tableLayout="fixed">
              <Table.Header>
                <Table.Row bg="wash">
                  <Table.ColumnHeader w="56px" aria-label="Colour" />
                  <Table.ColumnHeader fontWeight="400" color="soft">
                    Role
                  </Table.ColumnHeader>
                  <Table.ColumnHeader fontWeight="400" color="soft">
                    Colour
                  </Table.ColumnHeader>
                  <Table.ColumnHeader fontWeight="400" color="soft" w="84px" textAlign="right">
                    Places
                  </Table.ColumnHeader>
                  <Table.ColumnHeader w="176px" aria-label="Acts" />
                </Table.Row>
              </Table.Header>
              <Table.Body>
                {roles.map((role) => (
                  <Table.Row key={role.id} bg={editing?.id === role.id ? 'tint' : 'sheet'}>
                    <Table.Cell>
                      <Swatch color={role.color} size="28px" display="block" />
                    </Table.Cell>
                    <Table.Cell>{role.name}</Table.Cell>
                    <Table.Cell fontFamily="mono" fontSize="13px">
                      {role.color} <OutOfGamut role={role} />
                    </Table.Cell>
                    <Table.Cell textAlign="right">{number(placesOf(role))}</Table.Cell>
                    <Table.Cell>
                      <Flex gap="2" justify="flex-end">
                        <ActButton h="28px" onClick={() => setEditing(role)} aria-label={`Change ${role.name}`}>
                          Change
                        </ActButton>
                        <ActButton
                          h="28px"
                          aria-label={`Remove ${role.name}`}
                          title={
                            placesOf(role) > 0
                              ? `${count(placesOf(role), 'place')} would be open again; undo brings them back`
                              : undefined
                          }
                          onClick={() => store.changePalette(roles.filter(({ id }) => id !== role.id))}
                        >
                          Remove
                        </ActButton>
                      </Flex>
                    </Table.Cell>
                  </Table.Row>
                ))}
              </Table.Body>
            </Table.Root>
          )}
        </Sheet>
        <RoleForm key={editing?.id ?? 'new'} role={editing} onDone={() => setEditing(null)} />
      </Flex>
    </>
  )
}

function OutOfGamut({ role }: { role: Role }) {
  const color = readRoleColor(role.color)
  if (typeof color === 'string' || inSrgbGamut(color)) return null
  return (
    <Text as="span" fontSize="12px" color="soft">
      outside sRGB, written as {toHex(inSrgb(color))}
    </Text>
  )
}

const formSchema = roleSchema.omit({ id: true })

function RoleForm({ role, onDone }: { role: Role | null; onDone(): void }) {
  const { roles, store } = useWork()
  const { register, handleSubmit, formState, setError, watch, reset } = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { name: role?.name ?? '', color: role?.color ?? '' },
  })
  const submit = handleSubmit(({ name, color }) => {
    const read = readRoleColor(color)
    if (read === 'not-a-color')
      return setError('color', { message: `${color} is not a colour; write it as CSS does, such as #0b6e74` })
    if (read === 'not-opaque') return setError('color', { message: 'A role is opaque; each place keeps its own alpha' })
    if (roles.some((other) => other.id !== role?.id && sameRoleName(other.name, name)))
      return setError('name', { message: `There is a role called ${name} already` })
    const next: Role = { id: role?.id ?? crypto.randomUUID(), name, color: color.trim() }
    store.changePalette(role ? roles.map((other) => (other.id === role.id ? next : other)) : [...roles, next])
    reset({ name: '', color: '' })
    onDone()
  })
  const typed = watch('color')
  const preview = typeof readRoleColor(typed) === 'string' ? null : typed
  return (
    <Sheet as="section" aria-label={role ? `Change ${role.name}` : 'New role'} flex="0 1 280px" p="4">
      <Text fontWeight="600" mb="3">
        {role ? `Change ${role.name}` : 'New role'}
      </Text>
      <form onSubmit={submit} noValidate>
        <TextField label="What it is for" problem={formState.errors.name?.message}>
          <Input {...register('name')} size="sm" borderColor="strong" autoComplete="off" placeholder="soft text" />
        </TextField>
        <TextField label="Colour, in any CSS notation" problem={formState.errors.color?.message}>
          <Flex gap="2" w="100%" align="center">
            <Input
              {...register('color')}
              size="sm"
              borderColor="strong"
              fontFamily="mono"
              autoComplete="off"
              spellCheck={false}
              placeholder="#5a6870"
            />
            <Swatch color={preview} size="30px" />
          </Flex>
        </TextField>
        <Flex gap="2" mt="1">
          <ActButton type="submit" main>
            {role ? 'Save the change' : 'Add the role'}
          </ActButton>
          {role ? <ActButton onClick={onDone}>Cancel</ActButton> : null}
        </Flex>
      </form>
    </Sheet>
  )
}

function TextField({
  label,
  problem,
  children,
}: {
  label: string
  problem: string | undefined
  children: React.ReactNode
}) {
  return (
    <Field.Root invalid={problem !== undefined} mb="3">
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
