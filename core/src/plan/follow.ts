import type { Color } from '../color/color.ts'
import { fromSpace, toSpace } from '../color/space.ts'
import { inSrgb } from '../palette/role.ts'

/** OKLCH chroma below which a color has no hue to an eye. */
const GREY = 0.02

/**
 * The color that stands to a new lead as one stood to the old lead, in OKLCH: as much lighter or darker, as many times stronger (of a grey lead: by as much stronger), its hue as
 * far away where both had one. Mapped into sRGB as CSS Color 4 §13.2 does; opaque.
 */
export function followed(color: Color, oldLead: Color, newLead: Color): Color {
  const [l, c, h] = toSpace('oklch', color)
  const [oldL, oldC, oldH] = toSpace('oklch', oldLead)
  const [newL, newC, newH] = toSpace('oklch', newLead)
  const chroma = oldC < GREY ? newC + c - oldC : (newC * c) / oldC
  const turn = c < GREY || oldC < GREY ? 0 : h - oldH
  const lightness = Math.min(1, Math.max(0, newL + l - oldL))
  return inSrgb(fromSpace('oklch', [lightness, Math.max(0, chroma), (newH + turn + 720) % 360], 1))
}
