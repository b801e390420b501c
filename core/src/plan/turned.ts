import { type Color, type OpaqueKey, toHex } from '../color/color.ts'
import { parseColor } from '../color/literal.ts'
import { toSpace } from '../color/space.ts'
import type { Offer, Offered } from '../palette/formats/offer.ts'
import { inSrgb } from '../palette/role.ts'
import { followed } from './follow.ts'

/** OKLCH chroma below which a color is a grey to an eye, and stays one. */
const GREY = 0.02

/** Whether a color has a hue that could be turned. */
export function canTurn(key: OpaqueKey): boolean {
  const color = parseColor(key)
  return color !== null && toSpace('oklch', color)[1] >= GREY
}

/** The color of a scheme that takes the new one: the most used that is no grey and not held; null: there is none. @param scheme opaque keys, most used first */
export function turningLead(scheme: readonly OpaqueKey[], held: ReadonlySet<OpaqueKey>): OpaqueKey | null {
  return scheme.find((key) => !held.has(key) && canTurn(key)) ?? null
}

/**
 * A scheme turned to another color: its most used one that is no grey takes exactly that, all others keep their place to it, greys stay, and so do colors that are held.
 * Null where nothing can be turned: the scheme is of greys, or the new color is one.
 * @param scheme opaque keys, most used first
 */
export function turnedScheme(
  scheme: readonly OpaqueKey[],
  to: Color,
  held: ReadonlySet<OpaqueKey> = new Set(),
): Offer | null {
  const leadKey = turningLead(scheme, held)
  const lead = leadKey === null ? null : parseColor(leadKey)
  if (!lead || toSpace('oklch', to)[1] < GREY) return null
  const colors = scheme.flatMap((key, i): Offered[] => {
    const color = parseColor(key)
    if (!color) return []
    const turned = key === leadKey ? inSrgb(to) : held.has(key) || !canTurn(key) ? color : followed(color, lead, to)
    return [{ name: `scheme ${i + 1}, was ${key}`, color: toHex(turned), line: i + 1, remark: null }]
  })
  return { format: 'proposal', colors, refused: [] }
}
