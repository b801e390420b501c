import { Box, chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** Rows that are ticked each by itself, scrolled within their height. */
export function TickList({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box as="ul" listStyleType="none" maxH="345px" overflow="auto" aria-label={label} tabIndex={0}>
      {children}
    </Box>
  )
}

interface TickRowProps {
  readonly checked: boolean
  readonly disabled?: boolean
  onCheck(checked: boolean): void
  readonly children: ReactNode
}

/** One row: pointing at any of it ticks it. */
export function TickRow({ checked, disabled, onCheck, children }: TickRowProps) {
  return (
    <li>
      <chakra.label display="flex" gap="3" alignItems="center" py="1" borderBottomWidth="1px" cursor="pointer">
        <input
          type="checkbox"
          checked={checked}
          disabled={disabled}
          onChange={({ target }) => onCheck(target.checked)}
        />
        {children}
      </chakra.label>
    </li>
  )
}
