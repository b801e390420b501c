import { Button, type ButtonProps } from '@chakra-ui/react'
import { KeyCap } from './key-cap.tsx'

interface ActButtonProps extends ButtonProps {
  /** The key that does the same. */
  readonly hotkey?: string
  /** The one main act of a screen. */
  readonly main?: boolean
}

/** A button with its key. */
export function ActButton({ hotkey, main = false, children, ...button }: ActButtonProps) {
  return (
    <Button
      size="sm"
      h="32px"
      px="3"
      fontSize="13px"
      fontWeight={main ? 600 : 400}
      borderRadius="3px"
      border="1px solid"
      borderColor={main ? 'ink' : 'strong'}
      bg={main ? 'ink' : 'sheet'}
      color={main ? 'sheet' : 'ink'}
      _hover={{ bg: main ? '#333333' : 'tint' }}
      _disabled={{ opacity: 1, color: 'faint', bg: main ? 'tint' : 'wash', borderColor: 'edge', cursor: 'not-allowed' }}
      {...button}
    >
      {children}
      {hotkey ? <KeyCap inverse={main && !button.disabled}>{hotkey}</KeyCap> : null}
    </Button>
  )
}
