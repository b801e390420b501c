import { Box, chakra, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useDroppable } from '@dnd-kit/core'
import type { Role } from '@undo-ink/core'
import { type FormEvent, type KeyboardEvent, memo, type RefObject, useState } from 'react'
import { KeyCap } from '../../components/key-cap.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { usePlan } from '../../work/work.tsx'

interface RoleTrayProps {
  readonly disabled: boolean
  /** The field in which a role's name is typed. */
  readonly field: RefObject<HTMLInputElement | null>
  onGive(role: Role): void
  /** The role that is pointed at or focused, whose consequence is shown; null: none. */
  onTry(role: Role | null): void
  /** The field is left without a role. */
  onLeave(): void
  /** Opens what gives a role where no rule sets a color. */
  onInsert(): void
}

/** The roles of the brand, each giving itself to what is selected: by a click, by its digit, by typing its name, or dropped upon. */
export function RoleTray({ disabled, field, onGive, onTry, onLeave, onInsert }: RoleTrayProps) {
  const { roles } = usePlan()
  const [typed, setTyped] = useState('')
  const wanted = typed.trim().toLowerCase()
  const found = roles.filter(({ name }) => name.toLowerCase().includes(wanted))
  const first = wanted === '' ? null : (found[0] ?? null)
  const type = (text: string) => {
    setTyped(text)
    const next = text.trim().toLowerCase()
    onTry(next === '' ? null : (roles.find(({ name }) => name.toLowerCase().includes(next)) ?? null))
  }
  const leave = () => {
    type('')
    onLeave()
  }
  const onSubmit = (event: FormEvent) => {
    event.preventDefault()
    if (!first || disabled) return
    onGive(first)
    leave()
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return
    event.preventDefault()
    leave()
  }
  return (
    <Flex as="section" aria-label="Roles" gap="2" mt="10px" mb="-2px" mx="-2px" p="2px" flex="none">
      <chakra.form onSubmit={onSubmit} w="126px" flex="none" fontSize="12px" color="soft">
        <chakra.label
          htmlFor="role-by-name"
          display="flex"
          alignItems="center"
          justifyContent="space-between"
          mb="1"
          h="20px"
        >
          Role by name
          <KeyCap>R</KeyCap>
        </chakra.label>
        <Input
          id="role-by-name"
          ref={field}
          value={typed}
          onChange={(event) => type(event.target.value)}
          onKeyDown={onKeyDown}
          color="ink"
          bg="sheet"
          autoComplete="off"
          spellCheck={false}
        />
        <Box mt="1" h="18px" aria-live="polite" truncate>
          {wanted === '' ? '' : first ? <>Enter: {first.name}</> : <b>▲ no such role</b>}
        </Box>
      </chakra.form>
      <Grid
        gap="2"
        gridTemplateColumns="repeat(auto-fill, minmax(124px, 1fr))"
        maxH="108px"
        overflowY="auto"
        p="2px"
        m="-2px"
        flex="1"
      >
        {roles.map((role, i) => (
          <RoleButton
            key={role.id}
            role={role}
            digit={i + 1}
            disabled={disabled}
            isFaint={wanted !== '' && !found.includes(role)}
            onGive={onGive}
            onTry={onTry}
          />
        ))}
        <chakra.button
          type="button"
          onClick={onInsert}
          minH="42px"
          px="2"
          textAlign="left"
          fontSize="12px"
          lineHeight="15px"
          color="soft"
          border="1px dashed"
          borderColor="strong"
          borderRadius="3px"
          cursor="pointer"
          _hover={{ bg: 'tint' }}
        >
          where no rule sets a colour …
        </chakra.button>
      </Grid>
    </Flex>
  )
}

interface RoleButtonProps extends Pick<RoleTrayProps, 'disabled' | 'onGive' | 'onTry'> {
  readonly role: Role
  /** Its key, where it has one. */
  readonly digit: number
  /** Whether another is being typed. */
  readonly isFaint: boolean
}

const RoleButton = memo(function RoleButton({ role, digit, disabled, isFaint, onGive, onTry }: RoleButtonProps) {
  const { setNodeRef, isOver } = useDroppable({ id: role.id })
  return (
    <chakra.button
      ref={setNodeRef}
      type="button"
      disabled={disabled}
      onClick={() => onGive(role)}
      onMouseEnter={() => onTry(role)}
      onMouseLeave={() => onTry(null)}
      onFocus={() => onTry(role)}
      onBlur={() => onTry(null)}
      display="flex"
      alignItems="center"
      gap="2"
      minH="42px"
      p="1.5"
      textAlign="left"
      bg={isOver ? 'edge' : isFaint ? 'paper' : 'sheet'}
      color={isFaint ? 'soft' : 'ink'}
      border="1px solid"
      borderColor={isOver ? 'ink' : 'strong'}
      borderStyle={isFaint ? 'dashed' : 'solid'}
      outline={isOver ? '2px solid' : undefined}
      borderRadius="3px"
      cursor="pointer"
      _hover={{ bg: 'tint' }}
      _active={{ bg: 'edge' }}
    >
      <Swatch color={role.color} size="26px" />
      <Text flex="1" fontSize="13px" lineHeight="15px" lineClamp={2}>
        {role.name}
      </Text>
      {digit < 10 ? <KeyCap>{String(digit)}</KeyCap> : null}
    </chakra.button>
  )
})
