import type { Occurrence } from '../source/occurrence.ts'

/** A text and the ground that one rule declares for it, both opaque. */
export interface DeclaredPair<O extends Occurrence> {
  readonly text: O
  readonly ground: O
}

/**
 * The text and ground colors that stand in one rule of one file: pairs of which the sheet itself says that they belong together.
 * The last declaration of each counts, as in the cascade; a gradient's stops give no pair. Linear in the occurrences.
 * @param occurrences those of one file, in its order
 */
export function declaredPairs<O extends Occurrence>(occurrences: readonly O[]): DeclaredPair<O>[] {
  const rules = new Map<string, { text?: O; ground?: O }>()
  for (const occurrence of occurrences) {
    const { use, selector, atRules, alpha, functions } = occurrence
    if (selector === null || alpha !== 1 || functions.length > 0) continue
    if (use !== 'text' && use !== 'ground') continue
    if (use === 'text' && occurrence.property.toLowerCase() !== 'color') continue
    const key = JSON.stringify([selector, atRules])
    const rule = rules.get(key)
    if (rule) rule[use] = occurrence
    else rules.set(key, { [use]: occurrence })
  }
  return [...rules.values()].flatMap(({ text, ground }) => (text && ground ? [{ text, ground }] : []))
}
