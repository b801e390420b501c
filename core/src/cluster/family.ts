import type { OpaqueKey } from '../color/color.ts'
import { parseColor } from '../color/literal.ts'
import { toSpace } from '../color/space.ts'

/** OKLCH chroma from which a color has a hue of its own to an eye, and degrees by which shades of one color differ in it at most: common practice, no source. */
const LEAST_CHROMA = 0.02
const SAME_HUE = 12

/** Of some colors those that are shades or tints of another: of its hue, lighter, darker, softer or stronger. None of a grey. */
export function familyOf(lead: OpaqueKey, others: readonly OpaqueKey[]): OpaqueKey[] {
  const own = hueOf(lead)
  if (own === null) return []
  return others.filter((key) => {
    const hue = key === lead ? null : hueOf(key)
    return hue !== null && Math.abs(((hue - own + 540) % 360) - 180) <= SAME_HUE
  })
}

function hueOf(key: OpaqueKey): number | null {
  const color = parseColor(key)
  if (!color) return null
  const [, chroma, hue] = toSpace('oklch', color)
  return chroma < LEAST_CHROMA ? null : hue
}
