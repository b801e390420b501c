import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { type Role, readRoleColor, type Scheme, withValue } from '@undo-ink/core'
import { useEffect, useRef } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { CodeInput } from '../../../components/code-input.tsx'
import { HashOffer } from '../../../components/hash-offer.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { usePlan } from '../../../work/work.tsx'
import { madeText } from './made-text.ts'
import { ValueConsequence } from './value-consequence.tsx'

interface RoleInPlaceProps {
  /** With the color that is typed. */
  readonly draft: Role
  readonly scheme: Scheme
  onType(draft: Role): void
  /** Everything else of the role. */
  onEdit(role: Role): void
  onDone(): void
}

/** The color of one role, changed where it is seen. */
export function RoleInPlace({ draft, scheme, onType, onEdit, onDone }: RoleInPlaceProps) {
  const { roles, store } = usePlan()
  const field = useRef<HTMLInputElement>(null)
  const own = roles.find(({ id }) => id === draft.id)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the field is gone to when another role is chosen
  useEffect(() => field.current?.select(), [draft.id])
  if (!own) return null
  const isColor = typeof readRoleColor(draft.color) !== 'string'
  const take = () => {
    if (!isColor) return
    store.changePalette(roles.map((role) => (role.id === own.id ? withValue(role, scheme, draft.color.trim()) : role)))
    onDone()
  }
  return (
    <Box mx="3" mb="3" fontSize="13px">
      <chakra.form
        display="flex"
        gap="2"
        alignItems="center"
        flexWrap="wrap"
        onSubmit={(event) => {
          event.preventDefault()
          take()
        }}
        onKeyDown={({ key }) => key === 'Escape' && onDone()}
      >
        <chakra.label htmlFor="in-place" w="100%" fontWeight="600">
          {own.name}
        </chakra.label>
        <CodeInput
          id="in-place"
          ref={field}
          value={draft.color}
          onChange={(event) => onType({ ...draft, color: event.target.value })}
          aria-invalid={!isColor}
          w="150px"
        />
        <Swatch color={isColor ? draft.color : null} size="22px" />
        <HashOffer typed={draft.color} onTake={(color) => onType({ ...draft, color })} />
        <ActButton type="submit" main h="28px" disabled={!isColor}>
          Take it
        </ActButton>
        <ActButton h="28px" onClick={() => onEdit(own)}>
          More …
        </ActButton>
        <ActButton h="28px" hotkey="Esc" onClick={onDone}>
          Leave it
        </ActButton>
      </chakra.form>
      <Flex as="p" mt="1" color="soft" fontSize="12px">
        {isColor ? note(own, scheme, roles) : <Text role="status">▲ No opaque colour yet.</Text>}
      </Flex>
      {isColor && scheme === 'light' ? <ValueConsequence role={own} color={draft.color} made={null} /> : null}
    </Box>
  )
}

/** What taking a color means beyond the color. */
function note(role: Role, scheme: Scheme, roles: readonly Role[]): string | null {
  if (scheme !== 'light') return `Only its value in ${scheme === 'dark' ? 'the dark scheme' : 'print'}.`
  return role.made ? `It is ${madeText(role.made, roles)} now; a colour of its own follows no other.` : null
}
