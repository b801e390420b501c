import { type Color, type OpaqueKey, toHex } from '../color/color.ts'
import { parseColor } from '../color/literal.ts'
import { fromSpace, toSpace } from '../color/space.ts'
import type { Offer, Offered } from './formats/offer.ts'
import { inSrgb } from './role.ts'

/** OKLCH chroma below which a color is a grey to an eye, and stays one. */
const GREY = 0.02

/**
 * A scheme turned to another hue: its most used color that is no grey takes the hue of the new one, all others are turned by as much and have their chroma scaled alike; lightness
 * stays, greys stay grey, and so do colors that are held. Mapped into sRGB. Null where nothing can be turned: the scheme is of greys, or the new color is one.
 * @param scheme opaque keys, most used first
 */
export function turnedScheme(
  scheme: readonly OpaqueKey[],
  to: Color,
  held: ReadonlySet<OpaqueKey> = new Set(),
): Offer | null {
  const read = scheme.flatMap((key) => {
    const color = parseColor(key)
    return color ? [{ key, lch: toSpace('oklch', color) }] : []
  })
  const stays = (key: OpaqueKey, chroma: number) => chroma < GREY || held.has(key)
  const lead = read.find(({ key, lch }) => !stays(key, lch[1]))
  const [, chroma, hue] = toSpace('oklch', to)
  if (!lead || chroma < GREY) return null
  const [turn, scale] = [hue - lead.lch[2], Math.min(1.5, chroma / lead.lch[1])]
  const colors = read.map(({ key, lch: [l, c, h] }, i): Offered => {
    const turned = stays(key, c) ? key : toHex(inSrgb(fromSpace('oklch', [l, c * scale, (h + turn + 720) % 360], 1)))
    return { name: `scheme ${i + 1}, was ${key}`, color: turned, line: i + 1, remark: null }
  })
  return { format: 'proposal', colors, refused: [] }
}
