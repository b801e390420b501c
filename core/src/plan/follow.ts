import type { Color } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { fromSpace, toSpace } from '../color/space.ts'
import { inSrgb } from '../palette/role.ts'

/** OKLCH chroma below which a color has no hue to an eye. */
const GREY = 0.02

/** OKLCH lightness from which a color is a pale tint, and below which it is a deep shade, whatever it is a shade of (common practice, no source). */
export const PALE = 0.9
export const DEEP = 0.3

/** OKLCH lightness within which a pale or deep color is its lead's neighbour and goes with it, rather than staying pale or deep. */
const BESIDE = 0.05

/**
 * The color that stands to a new lead as one stood to the old lead, in OKLCH: between its lead and white, or its lead and black, as far along as it was, so that it stays on its side
 * of the lead; a pale tint stays pale and a deep shade deep, wherever the leads are. As many times as strong (of a grey lead: by as much stronger), its hue as far away where both had
 * one. Mapped into sRGB as CSS Color 4 §13.2 does; opaque.
 * @param isText whether it paints text: what could be read on white still can, else what could be read on black (WCAG 2.2, 1.4.3)
 */
export function followed(color: Color, oldLead: Color, newLead: Color, isText = false): Color {
  const [l, c, h] = toSpace('oklch', color)
  const [oldL, oldC, oldH] = toSpace('oklch', oldLead)
  const [newL, newC, newH] = toSpace('oklch', newLead)
  const chroma = oldC < GREY ? newC + c - oldC : newC * Math.min(c / oldC, STRONGEST)
  const turn = c < GREY || oldC < GREY ? 0 : h - oldH
  const lightness = Math.min(1, Math.max(0, followedLightness(l, oldL, newL)))
  const at = (light: number) => inSrgb(fromSpace('oklch', [light, Math.max(0, chroma), (newH + turn + 720) % 360], 1))
  return isText ? readable(color, at, lightness) : at(lightness)
}

/** The least ratio of text (WCAG 2.2, 1.4.3). */
const LEAST = 4.5
const WHITE: Color = { r: 1, g: 1, b: 1, alpha: 1 }
const BLACK: Color = { r: 0, g: 0, b: 0, alpha: 1 }

/** The nearest lightness at which a text is as readable as it was: on white where it could be read there, else on black. */
function readable(before: Color, at: (lightness: number) => Color, wanted: number): Color {
  const ground = contrast(before, WHITE) >= LEAST ? WHITE : BLACK
  const isRead = (lightness: number) => contrast(at(lightness), ground) >= LEAST
  if (isRead(wanted)) return at(wanted)
  let [near, far] = [wanted, ground === WHITE ? 0 : 1]
  for (let step = 0; step < 20; step++) {
    const middle = (near + far) / 2
    if (isRead(middle)) far = middle
    else near = middle
  }
  return at(far)
}

/** A shade is at most that many times as strong as its lead: of a lead of little color the ratio says nothing. */
const STRONGEST = 2.5

function followedLightness(l: number, oldL: number, newL: number): number {
  const along = alongSide(l, oldL, newL)
  // How far it is from its lead: at its lead it goes with it, further away it stays pale or deep.
  const away = Math.min(1, Math.abs(l - oldL) / BESIDE)
  if (l >= PALE && l > oldL) return along + away * Math.max(0, l - along)
  if (l <= DEEP && l < oldL) return along + away * Math.min(0, l - along)
  return along
}

/** As far between its lead and white, or its lead and black. */
function alongSide(l: number, oldL: number, newL: number): number {
  if (l >= oldL) return oldL >= 1 ? newL : newL + ((1 - newL) * (l - oldL)) / (1 - oldL)
  return oldL <= 0 ? newL : (newL * l) / oldL
}
