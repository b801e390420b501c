import { Dialog, Portal } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { ActButton } from './act-button.tsx'

interface WideDialogProps {
  readonly title: string
  readonly open: boolean
  /** CSS length */
  readonly width: string
  onClose(): void
  readonly children: ReactNode
}

/** A dialog with room to work in. Nothing of it is there while it is closed. */
export function WideDialog({ title, open, width, onClose, children }: WideDialogProps) {
  return (
    <Dialog.Root open={open} onOpenChange={({ open }) => open || onClose()} size="xl" lazyMount unmountOnExit>
      <Portal>
        <Dialog.Backdrop bg="rgb(0 0 0 / .35)" />
        <Dialog.Positioner>
          <Dialog.Content borderRadius="sheet" maxW={width}>
            <Dialog.Header py="3" borderBottom="1px solid" borderColor="edge">
              <Dialog.Title fontSize="16px">{title}</Dialog.Title>
              <ActButton ml="auto" hotkey="Esc" onClick={onClose}>
                Close
              </ActButton>
            </Dialog.Header>
            <Dialog.Body py="3">{children}</Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
