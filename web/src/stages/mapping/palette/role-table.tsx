import { Box, chakra, Flex, Table, Text } from '@chakra-ui/react'
import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  type UniqueIdentifier,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { inSrgb, inSrgbGamut, isJobOpen, JOBS, type Role, readRoleColor, servesOf, toHex } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Choice } from '../../../components/choice.tsx'
import { Sheet } from '../../../components/sheet.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { number } from '../../../components/words.ts'
import { usePlan } from '../../../work/work.tsx'
import { madeText } from './made-text.ts'
import { placesPerRole } from './places-per-role.ts'
import { RemoveRoleDialog } from './remove-role-dialog.tsx'

/** The same objects each time, or every row would be drawn anew. */
const BY_POINTER = { activationConstraint: { distance: 4 } }
const BY_KEYS = { coordinateGetter: sortableKeyboardCoordinates }

interface RoleTableProps {
  readonly editing: Role | null
  onEdit(role: Role): void
}

/** The roles in their order, which is that of their keys in Mapping; moved by drag, or by keys. */
export function RoleTable({ editing, onEdit }: RoleTableProps) {
  const { roles, outcomes, store, newerPalette } = usePlan()
  const canChange = newerPalette === null
  const perRole = useMemo(() => placesPerRole(outcomes), [outcomes])
  const sensors = useSensors(useSensor(PointerSensor, BY_POINTER), useSensor(KeyboardSensor, BY_KEYS))
  const [removing, setRemoving] = useState<Role | null>(null)
  const remove = (role: Role) => {
    if ((perRole.get(role.id) ?? 0) > 0) setRemoving(role)
    else store.changePalette(roles.filter(({ id }) => id !== role.id))
  }
  const move = ({ active, over }: DragEndEvent) => {
    const [from, to] = [active.id, over?.id].map((id) => roles.findIndex((role) => role.id === id))
    if (from === undefined || to === undefined || from < 0 || to < 0 || from === to) return
    store.changePalette(arrayMove([...roles], from, to))
  }
  if (roles.length === 0)
    return (
      <Sheet p="5">
        <Text color="soft">
          No roles yet. Bring in what the client sent, or begin with the colour that is named first and the text that
          stands on it.
        </Text>
      </Sheet>
    )
  return (
    <Sheet flex="1" minH="160px" overflow="auto" tabIndex={0} role="region" aria-label="Roles">
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={{ announcements: announcementsFor(roles) }}
        onDragEnd={move}
      >
        <Table.Root size="sm" tableLayout="fixed" minW="560px">
          <Table.Header position="sticky" top="0" zIndex="1" bg="wash">
            <Table.Row bg="wash">
              <Table.ColumnHeader w="36px" aria-label="Order" />
              <Table.ColumnHeader w="44px" aria-label="Colour" />
              {['Role', 'Colour'].map((head) => (
                <Table.ColumnHeader key={head} fontWeight="400" color="soft" fontSize="12px">
                  {head}
                </Table.ColumnHeader>
              ))}
              <Table.ColumnHeader w="64px" fontWeight="400" color="soft" fontSize="12px">
                For
              </Table.ColumnHeader>
              <Table.ColumnHeader w="64px" fontWeight="400" color="soft" fontSize="12px" textAlign="right">
                Places
              </Table.ColumnHeader>
              <Table.ColumnHeader w="164px" aria-label="Acts" />
            </Table.Row>
          </Table.Header>
          <SortableContext items={roles.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
            <Table.Body>
              {roles.map((role) => (
                <RoleRow
                  key={role.id}
                  role={role}
                  places={perRole.get(role.id) ?? 0}
                  canChange={canChange}
                  isEdited={editing?.id === role.id}
                  onEdit={onEdit}
                  onRemove={() => remove(role)}
                />
              ))}
            </Table.Body>
          </SortableContext>
        </Table.Root>
      </DndContext>
      <RemoveRoleDialog
        role={removing}
        places={removing ? (perRole.get(removing.id) ?? 0) : 0}
        onClose={() => setRemoving(null)}
      />
    </Sheet>
  )
}

/** What screen readers are told while a role is moved. */
function announcementsFor(roles: readonly Role[]): Announcements {
  const name = (id: UniqueIdentifier | undefined) => roles.find((role) => role.id === id)?.name ?? ''
  return {
    onDragStart: ({ active }) => `${name(active.id)} is taken up`,
    onDragOver: ({ active, over }) => (over ? `${name(active.id)} is over ${name(over.id)}` : undefined),
    onDragEnd: ({ active, over }) => `${name(active.id)} is put down${over ? ` at ${name(over.id)}` : ''}`,
    onDragCancel: ({ active }) => `${name(active.id)} stays where it was`,
  }
}

interface RoleRowProps {
  readonly role: Role
  readonly places: number
  readonly canChange: boolean
  readonly isEdited: boolean
  onEdit(role: Role): void
  onRemove(): void
}

function RoleRow({ role, places, canChange, isEdited, onEdit, onRemove }: RoleRowProps) {
  const { roles } = usePlan()
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: role.id,
    disabled: !canChange,
    transition: matchMedia('(prefers-reduced-motion: reduce)').matches ? null : { duration: 120, easing: 'ease' },
  })
  return (
    <Table.Row
      ref={setNodeRef}
      bg={isEdited || isDragging ? 'tint' : 'sheet'}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      position={isDragging ? 'relative' : undefined}
      zIndex={isDragging ? 1 : undefined}
    >
      <Table.Cell px="1" py="1">
        <chakra.button
          ref={setActivatorNodeRef}
          type="button"
          aria-label={`Move ${role.name}: Space takes it up and puts it down, arrows move it`}
          {...attributes}
          {...listeners}
          disabled={!canChange}
          w="26px"
          h="26px"
          cursor="grab"
          touchAction="none"
          color="soft"
        >
          ↕
        </chakra.button>
      </Table.Cell>
      <Table.Cell px="1" py="1">
        <Swatch color={role.color} size="26px" display="block" />
      </Table.Cell>
      <Table.Cell py="1">
        <Box truncate title={role.description ? `${role.name}: ${role.description}` : role.name}>
          {role.name}
        </Box>
        {role.description ? (
          <Box lineClamp={2} fontSize="12px" color="soft">
            {role.description}
          </Box>
        ) : null}
        {canChange && isJobOpen(role) ? <JobQuestion role={role} /> : null}
      </Table.Cell>
      <Table.Cell py="1" fontFamily="mono" fontSize="13px">
        <Box truncate title={role.made ? `${role.color}: ${madeText(role.made, roles)}` : role.color}>
          {role.color} <OutOfGamut role={role} />
          {role.made ? (
            <Text as="span" fontFamily="body" fontSize="12px" color="soft">
              {madeText(role.made, roles)}
            </Text>
          ) : null}
        </Box>
        <OtherSchemes role={role} />
      </Table.Cell>
      <Table.Cell py="1" fontSize="13px">
        {servesOf(role)}
      </Table.Cell>
      <Table.Cell py="1" textAlign="right">
        {number(places)}
      </Table.Cell>
      <Table.Cell py="1">
        <Flex gap="2" justify="flex-end">
          <ActButton
            h="26px"
            px="2"
            disabled={!canChange}
            onClick={() => onEdit(role)}
            aria-label={`Change ${role.name}`}
          >
            Change
          </ActButton>
          <ActButton h="26px" px="2" aria-label={`Remove ${role.name}`} disabled={!canChange} onClick={onRemove}>
            Remove
          </ActButton>
        </Flex>
      </Table.Cell>
    </Table.Row>
  )
}

/** The values that a role has of its own in other schemes. */
function OtherSchemes({ role }: { role: Role }) {
  const own = (['dark', 'print'] as const).flatMap((scheme) => (role[scheme] ? [[scheme, role[scheme]] as const] : []))
  if (own.length === 0) return null
  return (
    <Flex gap="2" fontSize="12px" color="soft" fontFamily="body">
      {own.map(([scheme, color]) => (
        <Flex key={scheme} gap="1" align="center" title={color}>
          <Swatch color={color} size="12px" /> {scheme}
        </Flex>
      ))}
    </Flex>
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

/** Asked once of a role whose name is the client's own: what it is for is kept in its words. */
function JobQuestion({ role }: { role: Role }) {
  const { roles, store } = usePlan()
  const answer = (job: string) => {
    const description = [role.description, job].filter(Boolean).join('; ')
    store.changePalette(roles.map((other) => (other.id === role.id ? { ...other, description } : other)))
  }
  return (
    <Choice
      label={`What is ${role.name} for?`}
      wraps
      value=""
      options={[['', '…'], ...JOBS.map((job) => [job, job] as const)]}
      onChoose={(job) => job !== '' && answer(job)}
    />
  )
}
