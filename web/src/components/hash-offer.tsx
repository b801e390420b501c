import { parseColor } from '@undo-ink/core'
import { ActButton } from './act-button.tsx'

/** Offers the colour that digits without their `#` were likely meant as; nothing where they are a colour, or none. */
export function HashOffer({ typed, onTake }: { typed: string; onTake(color: string): void }) {
  const text = typed.trim()
  const meant = `#${text}`
  if (!/^[\da-f]{3,8}$/i.test(text) || parseColor(text) || parseColor(meant)?.alpha !== 1) return null
  return (
    <ActButton h="26px" px="2" fontFamily="mono" onClick={() => onTake(meant)}>
      {meant}
    </ActButton>
  )
}
