import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import type { Palette } from '@undo-ink/contracts'
import { legibilities, paletteChanges, type Role, type RoleChange, type RolePart } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Dialog } from '../../../components/dialog.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { count, time } from '../../../components/words.ts'
import { RolesWarnings } from '../../../judging/roles-warnings.tsx'
import { usePlan } from '../../../work/work.tsx'
import { placesPerRole } from './places-per-role.ts'

/** The versions of the client's palette, what each would move here, and the act that moves this site to it. */
export function VersionsDialog({ open, onClose }: { open: boolean; onClose(): void }) {
  return (
    <Dialog title="Versions of the palette" open={open} width="880px" onClose={onClose}>
      <Versions onDone={onClose} />
    </Dialog>
  )
}

function Versions({ onDone }: { onDone(): void }) {
  const { palette, state, newerPalette, roles, store } = usePlan()
  const [chosen, setChosen] = useState(newerPalette ?? state.paletteVersion)
  const after = palette.versions.find(({ version }) => version === chosen)?.roles ?? []
  const isOwn = chosen === state.paletteVersion
  return (
    <Flex gap="5" direction={{ base: 'column', md: 'row' }} align="stretch">
      <Box
        w={{ base: '100%', md: '250px' }}
        flex="none"
        maxH="420px"
        overflow="auto"
        role="radiogroup"
        aria-label="Version"
      >
        {palette.versions.toReversed().map((each) => (
          <VersionRow
            key={each.version}
            version={each}
            sites={palette.sites.filter(({ version }) => version === each.version).map(({ name }) => name)}
            checked={each.version === chosen}
            onChoose={() => setChosen(each.version)}
          />
        ))}
      </Box>
      <Flex flex="1" minW="0" direction="column" gap="3">
        {isOwn ? (
          <Text fontSize="13px">This site is on version {chosen}. Choose another to see what it would move.</Text>
        ) : (
          <Moves before={roles} after={after} />
        )}
        <Flex mt="auto" justify="flex-end" gap="2">
          <ActButton onClick={onDone}>Stay on version {state.paletteVersion}</ActButton>
          <ActButton
            main
            disabled={isOwn}
            onClick={() => {
              store.act({ kind: 'palette', version: chosen })
              onDone()
            }}
          >
            Move this site to version {chosen}
          </ActButton>
        </Flex>
      </Flex>
    </Flex>
  )
}

interface VersionRowProps {
  readonly version: Palette['versions'][number]
  /** Names of the sites that are on it. */
  readonly sites: readonly string[]
  readonly checked: boolean
  onChoose(): void
}

function VersionRow({ version: { version, createdAt, roles }, sites, checked, onChoose }: VersionRowProps) {
  return (
    <chakra.label
      display="flex"
      gap="2"
      px="2"
      py="1.5"
      fontSize="13px"
      cursor="pointer"
      bg={checked ? 'tint' : undefined}
      borderBottomWidth="1px"
    >
      <input type="radio" name="version" checked={checked} onChange={onChoose} />
      <Box minW="0">
        <Text fontWeight={checked ? 600 : 400}>
          Version {version}
          <Text as="span" color="soft" fontWeight="400">
            {` · ${time(createdAt)} · ${count(roles.length, 'role')}`}
          </Text>
        </Text>
        {sites.length > 0 ? (
          <Text fontSize="12px" truncate title={sites.join(', ')}>
            on it: {sites.join(', ')}
          </Text>
        ) : null}
      </Box>
    </chakra.label>
  )
}

const PART_WORDS: Readonly<Record<RolePart, string>> = {
  name: 'its name',
  color: 'its colour',
  schemes: 'its value in dark or print',
  job: 'what it is for or made from',
  description: 'its description',
}

/** What another version would change here, role by role, with the places that take each. */
function Moves({ before, after }: { before: readonly Role[]; after: readonly Role[] }) {
  const { outcomes } = usePlan()
  const perRole = useMemo(() => placesPerRole(outcomes), [outcomes])
  const changes = useMemo(() => paletteChanges(before, after), [before, after])
  return (
    <>
      <Text fontSize="13px" role="status">
        {summary(changes, perRole)} {readability(before, after)}
      </Text>
      <RolesWarnings roles={after} />
      {changes.length === 0 ? null : (
        <Box
          as="ul"
          listStyleType="none"
          maxH="340px"
          overflow="auto"
          borderWidth="1px"
          tabIndex={0}
          aria-label="Roles that differ"
        >
          {changes.map((change) => {
            const role = change.after ?? change.before
            return role ? (
              <ChangeRow key={role.id} change={change} role={role} places={perRole.get(role.id) ?? 0} />
            ) : null
          })}
        </Box>
      )}
    </>
  )
}

function ChangeRow({
  change: { before, after, parts },
  role,
  places,
}: {
  change: RoleChange
  role: Role
  places: number
}) {
  const what = before === null ? 'new' : after === null ? 'gone' : parts.map((part) => PART_WORDS[part]).join(', ')
  return (
    <Flex as="li" gap="2.5" px="3" py="1.5" align="center" fontSize="13px" borderBottomWidth="1px">
      <Swatch color={before?.color ?? null} size="22px" title="as it is" />
      <span aria-hidden>→</span>
      <Swatch color={after?.color ?? null} size="22px" title="as it would be" />
      <Box flex="1" minW="0">
        <Text truncate>
          {role.name}
          {before && after && before.name !== after.name ? ` (was ${before.name})` : ''}
        </Text>
        <Text fontSize="12px" color="soft">
          {what}
        </Text>
      </Box>
      <Text fontSize="12px">{places === 0 ? '' : count(places, 'place')}</Text>
    </Flex>
  )
}

function summary(changes: readonly RoleChange[], perRole: ReadonlyMap<string, number>): string {
  const places = (which: (change: RoleChange) => boolean) =>
    changes.filter(which).reduce((sum, { before, after }) => sum + (perRole.get((after ?? before)?.id ?? '') ?? 0), 0)
  const moved = places(({ after, parts }) => after !== null && parts.includes('color'))
  const opened = places(({ after }) => after === null)
  const back = places(({ before }) => before === null)
  if (changes.length === 0) return 'It has the same roles, at most in another order.'
  return [
    `${count(changes.length, 'role differs', 'roles differ')}.`,
    moved > 0
      ? `${count(moved, 'place')} of this site would change colour.`
      : 'No place of this site would change colour.',
    opened > 0 ? `${count(opened, 'place')} would be open again: the role is gone.` : '',
    back > 0 ? `${count(back, 'place')} would be decided again: the role is back.` : '',
  ]
    .filter(Boolean)
    .join(' ')
}

function readability(before: readonly Role[], after: readonly Role[]): string {
  const failing = (roles: readonly Role[]) =>
    legibilities(roles).filter(({ level }) => level === 'fails' || level === 'large').length
  const [now, then] = [failing(before), failing(after)]
  return now === then ? '' : `Texts and lines that are hard to read: ${now} now, ${then} then.`
}
