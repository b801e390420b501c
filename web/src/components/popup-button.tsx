import { Popover, Portal } from '@chakra-ui/react'
import { type ReactNode, useState } from 'react'
import { ActButton } from './act-button.tsx'

interface PopupButtonProps {
  readonly label: string
  /** Whether something behind it is chosen. */
  readonly main?: boolean
  readonly width: string
  /** What it says beside its label. */
  readonly says?: ReactNode
  onOpen?(open: boolean): void
  /** @param close shuts the panel, for acts after which there is nothing left to do in it */
  children(close: () => void): ReactNode
}

/** A button that opens a small panel under it. Nothing of the panel is made before it is opened for the first time. */
export function PopupButton({ label, main = false, width, says, onOpen, children }: PopupButtonProps) {
  const [used, setUsed] = useState(false)
  const [isOpen, setOpen] = useState(false)
  const tell = (next: boolean) => {
    setUsed(true)
    setOpen(next)
    onOpen?.(next)
  }
  const face = (
    <ActButton
      h="26px"
      px="2"
      main={main}
      maxW="260px"
      {...(used ? {} : { 'aria-haspopup': 'dialog' as const, 'aria-expanded': false, onClick: () => tell(true) })}
    >
      {says ?? label} <span aria-hidden>▾</span>
    </ActButton>
  )
  if (!used) return face
  return (
    <Popover.Root
      open={isOpen}
      onOpenChange={(details) => tell(details.open)}
      lazyMount
      unmountOnExit
      positioning={{ placement: 'bottom-start' }}
    >
      <Popover.Trigger asChild>{face}</Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content w={width} borderRadius="3px" aria-label={label}>
            <Popover.Body p="2">{children(() => tell(false))}</Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  )
}
