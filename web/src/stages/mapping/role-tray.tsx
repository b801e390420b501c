import { chakra, Grid, Text } from '@chakra-ui/react'
import type { Role } from '@undo-ink/core'
import { memo } from 'react'
import { KeyCap } from '../../components/key-cap.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { useWork } from '../../work/work.tsx'

interface RoleTrayProps {
  readonly disabled: boolean
  onGive(role: Role): void
  /** The role that is pointed at or focused, whose consequence is shown; null: none. */
  onTry(role: Role | null): void
}

/** The roles of the brand, each giving itself to the selected row. */
export function RoleTray({ disabled, onGive, onTry }: RoleTrayProps) {
  const { roles } = useWork()
  return (
    <Grid
      as="section"
      aria-label="Roles"
      gap="2"
      gridTemplateColumns="repeat(auto-fill, minmax(128px, 1fr))"
      maxH="108px"
      overflowY="auto"
      p="2px"
      mt="10px"
      mx="-2px"
      mb="-2px"
      flex="none"
    >
      {roles.map((role, i) => (
        <RoleButton key={role.id} role={role} digit={i + 1} disabled={disabled} onGive={onGive} onTry={onTry} />
      ))}
    </Grid>
  )
}

interface RoleButtonProps extends RoleTrayProps {
  readonly role: Role
  /** Its key, where it has one. */
  readonly digit: number
}

const RoleButton = memo(function RoleButton({ role, digit, disabled, onGive, onTry }: RoleButtonProps) {
  return (
    <chakra.button
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
      bg="sheet"
      border="1px solid"
      borderColor="strong"
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
