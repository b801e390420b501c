import { Box, Flex } from '@chakra-ui/react'
import { JOBS, legibilities, missingRoles, type Role } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { StageHead } from '../../../components/stage-head.tsx'
import { count } from '../../../components/words.ts'
import { useWork, type Work } from '../../../work/work.tsx'
import { BringInDialog } from './bring-in-dialog.tsx'
import { NewerVersion } from './newer-version.tsx'
import { PaletteExport } from './palette-export.tsx'
import { ReadabilityPanel } from './readability-panel.tsx'
import { RoleForm } from './role-form.tsx'
import { RoleTable } from './role-table.tsx'
import { VersionsDialog } from './versions-dialog.tsx'

/** The roles of the brand, and how they are read on each other. Every change is a new version of the palette, and can be undone. */
export function PaletteScreen() {
  const work = useWork()
  const { roles, state, newerPalette } = work
  const [editing, setEditing] = useState<Role | null>(null)
  const [opened, setOpened] = useState<'bring-in' | 'proposal' | 'versions' | null>(null)
  const close = () => setOpened(null)
  const judged = useMemo(() => legibilities(roles), [roles])
  const failing = judged.filter(({ level }) => level === 'fails' || level === 'large').length
  const canChange = newerPalette === null
  const lacking = useMemo(() => missingRoles(roles), [roles])
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="480px">
      <datalist id="jobs">
        {JOBS.map((job) => (
          <option key={job} value={job} />
        ))}
      </datalist>
      <StageHead title="Palette" sentence={sentence(work, judged.length, failing)}>
        <ActButton onClick={() => setOpened('versions')}>Version {state.paletteVersion} …</ActButton>
        {roles.length > 0 ? <PaletteExport /> : null}
        {canChange ? (
          <ActButton main={roles.length === 0} onClick={() => setOpened('bring-in')}>
            Bring colours in …
          </ActButton>
        ) : null}
        {canChange && lacking.colors.length > 0 ? (
          <ActButton main={lacking.colors.length > roles.length} onClick={() => setOpened('proposal')}>
            Propose the {count(lacking.colors.length, 'role')} that {lacking.colors.length === 1 ? 'is' : 'are'} lacking
            …
          </ActButton>
        ) : null}
        <BringInDialog
          open={opened === 'bring-in' || opened === 'proposal'}
          proposal={opened === 'proposal' ? lacking : null}
          onClose={close}
        />
        <VersionsDialog open={opened === 'versions'} onClose={close} />
      </StageHead>
      {canChange ? null : (
        <Box mb="3">
          <NewerVersion />
        </Box>
      )}
      <Flex flex="1" minH="0" gap="4" direction={{ base: 'column', lg: 'row' }} align="stretch">
        <Flex direction="column" gap="3" flex="1" minW="0" minH="0">
          <RoleTable editing={editing} onEdit={setEditing} />
          {canChange ? <RoleForm key={editing?.id ?? 'new'} role={editing} onDone={() => setEditing(null)} /> : null}
        </Flex>
        <Box flex={{ base: 'none', lg: '0 0 440px' }} minH="0" display="flex">
          <ReadabilityPanel onEdit={setEditing} />
        </Box>
      </Flex>
    </Flex>
  )
}

function sentence({ roles, palette, newerPalette }: Work, judged: number, failing: number): string {
  const readable =
    judged === 0
      ? ''
      : failing === 0
        ? ' Every text and line is readable on its grounds.'
        : ` ${count(failing, 'text or line is', 'texts and lines are')} hard to read on ${failing === 1 ? 'its ground' : 'their grounds'}.`
  const others = palette.sites.length - 1
  if (newerPalette !== null) return `${count(roles.length, 'role')} of the brand.${readable}`
  const moves =
    others === 0
      ? 'A change moves this site’s plan along at once, and can be undone.'
      : `A change moves this site along at once; ${count(others, 'other site')} of ${palette.client} ${others === 1 ? 'stays' : 'stay'} until moved on.`
  return `${count(roles.length, 'role')} of the brand.${readable} ${moves}`
}
