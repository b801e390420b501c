import { Box, Flex } from '@chakra-ui/react'
import { legibilities, type Role } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { StageHead } from '../../../components/stage-head.tsx'
import { count } from '../../../components/words.ts'
import { useWork } from '../../../work/work.tsx'
import { BringInDialog } from './bring-in-dialog.tsx'
import { PaletteExport } from './palette-export.tsx'
import { ReadabilityPanel } from './readability-panel.tsx'
import { RoleForm } from './role-form.tsx'
import { RoleTable } from './role-table.tsx'

/** The roles of the brand, and how they are read on each other. Every change is a new version of the palette, and can be undone. */
export function PaletteScreen() {
  const { roles } = useWork()
  const [editing, setEditing] = useState<Role | null>(null)
  const [isBringing, setBringing] = useState(false)
  const judged = useMemo(() => legibilities(roles), [roles])
  const failing = judged.filter(({ level }) => level === 'fails' || level === 'large').length
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="480px">
      <StageHead title="Palette" sentence={sentence(roles.length, judged.length, failing)}>
        {roles.length > 0 ? <PaletteExport /> : null}
        <ActButton onClick={() => setBringing(true)}>Bring colours in …</ActButton>
        <BringInDialog open={isBringing} onClose={() => setBringing(false)} />
      </StageHead>
      <Flex flex="1" minH="0" gap="4" direction={{ base: 'column', lg: 'row' }} align="stretch">
        <Flex direction="column" gap="3" flex="1" minW="0" minH="0">
          <RoleTable editing={editing} onEdit={setEditing} />
          <RoleForm key={editing?.id ?? 'new'} role={editing} onDone={() => setEditing(null)} />
        </Flex>
        <Box flex={{ base: 'none', lg: '0 0 440px' }} minH="0" display="flex">
          <ReadabilityPanel judged={judged} onEdit={setEditing} />
        </Box>
      </Flex>
    </Flex>
  )
}

function sentence(roles: number, judged: number, failing: number): string {
  const readable =
    judged === 0
      ? ''
      : failing === 0
        ? ' Every text and line is readable on its grounds.'
        : ` ${count(failing, 'text or line is', 'texts and lines are')} hard to read on ${failing === 1 ? 'its ground' : 'their grounds'}.`
  return `${count(roles, 'role')} of the brand.${readable} A change moves this site's plan along at once, and can be undone.`
}
