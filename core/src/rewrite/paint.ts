import type { Color } from '../color/color.ts'
import { parseInNotation } from '../color/literal.ts'
import { withAlpha } from './alpha.ts'
import { hexText, type Rewritten, rewriteLiteral, type Written } from './notation.ts'

/**
 * Writes a literal with another color and another alpha; null as alpha: that of the place. As `rewriteLiteral`, which writes the color.
 * @param alpha 0 to 1
 */
export function rewritePaint(written: Written, to: Color, alpha: number | null): Rewritten {
  const own = parseInNotation(written.raw, written.notation)?.color.alpha ?? written.alpha
  if (alpha === null || alpha === own) return rewriteLiteral(written, to)
  const other = withAlpha(written, alpha)
  return other ? rewriteLiteral(other, to) : { text: hexText({ ...to, alpha }), kept: false }
}
