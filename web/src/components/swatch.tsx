import { Box, type BoxProps } from '@chakra-ui/react'

/** What stands for "not decided": as if not yet printed. */
export const HATCHING =
  'repeating-linear-gradient(135deg, var(--chakra-colors-sheet) 0 4px, var(--chakra-colors-strong) 4px 5px)'

/** Chequered ground that a see-through color is shown on. */
const CHEQUERS = 'repeating-conic-gradient(#fff 0 25%, #bbb 0 50%) 0 0 / 8px 8px'

interface SwatchProps extends Omit<BoxProps, 'color'> {
  /** Any CSS color; null: not decided. */
  readonly color: string | null
  readonly alpha?: number
  readonly size?: number | string
}

/** The only place where a color of the client's is painted. It says nothing by itself: a word or a value stands beside it. */
export function Swatch({ color, alpha = 1, size = '20px', ...box }: SwatchProps) {
  return (
    <Box
      aria-hidden
      display="inline-block"
      flex="none"
      w={size}
      h={size}
      borderRadius="2px"
      boxShadow="inset 0 0 0 1px rgb(128 128 128 / .45)"
      style={{ background: paintOf(color, alpha) }}
      {...box}
    />
  )
}

function paintOf(color: string | null, alpha: number): string {
  if (color === null) return HATCHING
  return alpha < 1 ? `linear-gradient(${withAlpha(color, alpha)} 0 0), ${CHEQUERS}` : color
}

/** The same as a plain element, for rows of which there are hundreds. */
export function PlainSwatch({ color, alpha = 1 }: { color: string; alpha?: number }) {
  return (
    <span
      aria-hidden
      style={{
        display: 'block',
        width: 20,
        height: 20,
        borderRadius: 2,
        boxShadow: 'inset 0 0 0 1px rgb(128 128 128 / .45)',
        background: paintOf(color, alpha),
      }}
    />
  )
}

/** A CSS color of an opaque key with an alpha. */
export function withAlpha(color: string, alpha: number): string {
  if (alpha === 1) return color
  if (color.startsWith('color(')) return color.replace(/\)$/, ` / ${alpha})`)
  const byte = Math.round(alpha * 255)
  return color + byte.toString(16).padStart(2, '0')
}
