import { Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { Note } from '../../../components/note.tsx'
import { usePlan } from '../../../work/work.tsx'
import { VersionsDialog } from './versions-dialog.tsx'

/** Says that another site of the client has moved the palette on, and leads to what that would move here. */
export function NewerVersion() {
  const { palette, state, newerPalette } = usePlan()
  const [isOpen, setOpen] = useState(false)
  if (newerPalette === null) return null
  const on = palette.sites.filter(({ version }) => version === newerPalette).map(({ name }) => name)
  return (
    <>
      <Note
        shape="◆"
        title={`The palette of ${palette.client} has a newer version, ${newerPalette}, made for ${on.join(', ')}`}
      >
        <Flex gap="3" align="center" justify="space-between" wrap="wrap">
          <span>
            This site stays on version {state.paletteVersion} until you move it on. Roles are changed after that.
          </span>
          <ActButton main onClick={() => setOpen(true)}>
            See what it would move …
          </ActButton>
        </Flex>
      </Note>
      <VersionsDialog open={isOpen} onClose={() => setOpen(false)} />
    </>
  )
}
