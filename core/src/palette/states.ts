import type { Color } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { madeColor } from './made.ts'
import type { Made } from './role.ts'

/** The states for which a color of its own is proposed. */
export const PROPOSED_STATES = ['hover', 'pressed', 'visited'] as const
export type ProposedState = (typeof PROPOSED_STATES)[number]

/** ΔE00 by which a state differs from rest, so that it is seen. */
export const VISIBLE = 5

/**
 * How a color is changed for a state: hover and pressed darker, or lighter where darker cannot be read; visited of less chroma, turned towards purple. Each differs from
 * rest by VISIBLE at least and keeps its ratio to every color that it is seen with. Null: nothing does.
 * @param seenWith its ground, or the text on it @param ratio least, to each of them
 */
export function proposeState(
  state: ProposedState,
  rest: Color,
  seenWith: readonly Color[],
  ratio: number,
): Omit<Made, 'from'> | null {
  const lab = labOf(rest)
  const isGood = (change: Omit<Made, 'from'>) => {
    const color = madeColor(rest, change)
    return deltaE2000(lab, labOf(color)) >= VISIBLE && seenWith.every((other) => contrast(color, other) >= ratio)
  }
  const least = { hover: 4, pressed: 8, visited: 0 }[state]
  for (let step = least; step <= 40; step++) {
    const lighter = Number((step / 50).toFixed(2))
    const [stronger, turned] = state === 'visited' ? [0.8, 45] : [1, 0]
    for (const sign of [-1, 1]) {
      const change = { lighter: sign * lighter, stronger, turned }
      if (isGood(change)) return change
    }
  }
  return null
}
