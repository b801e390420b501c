import { deltaE2000, labOf, type OpaqueKey, parseColor } from '@undo-ink/core'

/** How far two colors are apart, ΔE00. */
export function apart(a: OpaqueKey, b: OpaqueKey): number {
  const [x, y] = [parseColor(a), parseColor(b)]
  return x && y ? deltaE2000(labOf(x), labOf(y)) : Number.POSITIVE_INFINITY
}
