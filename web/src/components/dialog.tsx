import { Dialog as Parts, Portal } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { ActButton } from './act-button.tsx'

interface DialogProps {
  readonly title: string
  readonly open: boolean
  /** CSS length */
  readonly width: string
  /** Whether it asks before something is lost. */
  readonly alert?: boolean
  onClose(): void
  readonly children: ReactNode
}

/** A dialog. Nothing of it is there while it is closed. */
export function Dialog({ title, open, width, alert = false, onClose, children }: DialogProps) {
  return (
    <Parts.Root
      open={open}
      onOpenChange={({ open }) => open || onClose()}
      role={alert ? 'alertdialog' : 'dialog'}
      size="xl"
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Parts.Backdrop bg="rgb(0 0 0 / .35)" />
        <Parts.Positioner>
          <Parts.Content borderRadius="sheet" maxW={width}>
            <Parts.Header py="3" borderBottomWidth="1px">
              <Parts.Title fontSize="16px">{title}</Parts.Title>
              <ActButton ml="auto" hotkey="Esc" onClick={onClose}>
                Close
              </ActButton>
            </Parts.Header>
            <Parts.Body py="3">{children}</Parts.Body>
          </Parts.Content>
        </Parts.Positioner>
      </Portal>
    </Parts.Root>
  )
}
