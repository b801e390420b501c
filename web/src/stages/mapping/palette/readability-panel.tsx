import { Box, Flex, Heading } from '@chakra-ui/react'
import {
  inSrgb,
  legibilities,
  nearRoles,
  type Role,
  readRoleColor,
  rolesIn,
  SCHEMES,
  type Scheme,
  seenBy,
  toHex,
  VISIONS,
  type Vision,
} from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { Segments } from '../../../components/segments.tsx'
import { Sheet } from '../../../components/sheet.tsx'
import { usePlan } from '../../../work/work.tsx'
import { ReadabilityStrips } from './readability-strips.tsx'
import { RoleInPlace } from './role-in-place.tsx'
import { Specimen } from './specimen.tsx'

const SHOWN = ['strips', 'specimen'] as const
const SCHEME_SEGMENTS = SCHEMES.map((value) => ({ value, text: value }))
const SHOWN_SEGMENTS = SHOWN.map((value) => ({ value, text: value }))

/** How the palette is read: as strips or as a specimen, by whoever looks. */
export function ReadabilityPanel({ onEdit }: { onEdit(role: Role): void }) {
  const { roles, newerPalette } = usePlan()
  const [chosen, setScheme] = useState<Scheme>('light')
  const hasSchemes = roles.some(({ dark, print }) => (dark ?? print) !== undefined)
  const scheme = hasSchemes ? chosen : 'light'
  const [draft, setDraft] = useState<Role | null>(null)
  const painted = useMemo(() => withDraft(rolesIn(scheme, roles), draft), [scheme, roles, draft])
  const judged = useMemo(() => legibilities(painted), [painted])
  const [eyes, setEyes] = useState<Eyes>('everybody')
  const paint = useMemo(() => paintFor(eyes), [eyes])
  const [shown, setShown] = useState<(typeof SHOWN)[number]>('strips')
  const inPlace = draft && (
    <RoleInPlace draft={draft} scheme={scheme} onType={setDraft} onEdit={onEdit} onDone={() => setDraft(null)} />
  )
  const onChoose = newerPalette === null ? setDraft : null
  return (
    <Sheet as="section" aria-label="Readability" w="100%" overflow="auto" tabIndex={0}>
      <Flex align="center" px="3" py="1.5" bg="wash" borderBottomWidth="1px">
        <Heading as="h2" fontSize="13px" mr="auto">
          Readability
        </Heading>
        <Segments
          label="Shown as"
          segments={SHOWN_SEGMENTS}
          value={shown}
          height={26}
          onChoose={(next) => {
            setShown(next)
            setDraft(null)
          }}
        />
      </Flex>
      <Box px="3" pt="2">
        <Segments
          label="As seen by"
          says="seen by"
          segments={EYES}
          value={eyes}
          height={26}
          onChoose={(next) => setEyes(next)}
        />
      </Box>
      {hasSchemes ? (
        <Box px="3" pt="2">
          <Segments
            label="In which scheme"
            says="in scheme"
            segments={SCHEME_SEGMENTS}
            value={scheme}
            height={26}
            onChoose={(next) => {
              setScheme(next)
              setDraft(null)
            }}
          />
        </Box>
      ) : null}
      <Alike eyes={eyes} roles={painted} />
      {shown === 'specimen' ? (
        <>
          <Specimen roles={painted} paint={paint} onChoose={onChoose} />
          {inPlace}
        </>
      ) : (
        <ReadabilityStrips judged={judged} roles={painted} paint={paint} inPlace={inPlace} onOffer={onChoose} />
      )}
    </Sheet>
  )
}

/** What is typed is painted at once, where it is a color. */
function withDraft(roles: readonly Role[], draft: Role | null): readonly Role[] {
  if (draft === null || typeof readRoleColor(draft.color) === 'string') return roles
  return roles.map((role) => (role.id === draft.id ? draft : role))
}

/** Somebody to whom the palette is shown: without cones for long, middle or short waves. */
type Eyes = 'everybody' | Vision
const EYES: readonly { readonly value: Eyes; readonly text: string }[] = [
  { value: 'everybody', text: 'everybody' },
  ...VISIONS.map((value) => ({ value, text: value })),
]

/** How a color is painted for somebody. */
function paintFor(eyes: Eyes): (color: string) => string {
  return (text) => {
    const color = readRoleColor(text)
    return eyes === 'everybody' || typeof color === 'string' ? text : toHex(seenBy(eyes, inSrgb(color)))
  }
}

/** ΔE00 below which two roles are taken for one: as they are, and by eyes that see fewer colors. */
const ALIKE = { everybody: 2.3, others: 5 } as const

/** The roles that look nearly the same to somebody. */
function Alike({ eyes, roles }: { eyes: Eyes; roles: readonly Role[] }) {
  const pairs = useMemo(
    () =>
      eyes === 'everybody'
        ? nearRoles(roles, ALIKE.everybody)
        : nearRoles(roles, ALIKE.others, (color) => seenBy(eyes, color)),
    [roles, eyes],
  )
  if (pairs.length === 0) return null
  return (
    <Box as="ul" listStyleType="none" px="3" pt="2" fontSize="13px" aria-label="Nearly the same">
      {pairs.map(({ a, b, distance }) => (
        <li key={`${a.id} ${b.id}`}>
          <span aria-hidden>▲</span> {a.name} and {b.name} are nearly the same, ΔE {distance.toFixed(1)}
        </li>
      ))}
    </Box>
  )
}
