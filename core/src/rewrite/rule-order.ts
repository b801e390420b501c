import type { PartOutcome } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import type { Declaration } from '../source/sheet/rules.ts'
import type { Rewritten } from './notation.ts'

/** A place of whose declaration parts are written otherwise. */
export interface Parted<O extends Occurrence> {
  readonly occurrence: O
  readonly declaration: Declaration
  readonly pieces: readonly WrittenPart[]
}

/** A piece as it is written, and whether it lies over a weaker one, or a whole, that is a gradient. */
export interface WrittenPart extends PartOutcome {
  readonly isOverGradient: boolean
  readonly written: Rewritten
}

/** The pieces of one condition that make one rule. */
interface ConditionGroup<O extends Occurrence> {
  readonly condition: string
  readonly pieces: Map<O, WrittenPart>
  /** The first declaration of each family of properties that it takes something of. */
  readonly first: Map<string, Declaration>
}

/**
 * Pieces of one condition make one rule; rules stand in the order in which they win. Where a condition is weaker than another for one place and
 * stronger for the next, it makes two.
 */
export function inOrder<O extends Occurrence>(parted: readonly Parted<O>[]): ReadonlyMap<O, WrittenPart>[] {
  const groups: ConditionGroup<O>[] = []
  for (const { occurrence, declaration, pieces } of parted) {
    const conditions = pieces.map(({ part }) => JSON.stringify(part))
    const ownFamily = family(occurrence.property)
    // A rule that takes something of the family repeats what is declared behind that, as the rest of it is.
    const repeats = ({ condition, first }: ConditionGroup<O>) =>
      (first.get(ownFamily) ?? declaration) !== declaration && !conditions.includes(condition)
    let from = 1 + groups.findLastIndex(repeats)
    pieces.forEach((piece, nth) => {
      const condition = conditions[nth] as string
      let at = groups.findIndex((group, i) => i >= from && group.condition === condition)
      if (at < 0) {
        // Before what wins over it, so that that can still be joined.
        const stronger = groups.findIndex((group, i) => i >= from && conditions.indexOf(group.condition) > nth)
        at = stronger < 0 ? groups.length : stronger
        groups.splice(at, 0, { condition, pieces: new Map(), first: new Map() })
      }
      const group = groups[at] as ConditionGroup<O>
      group.pieces.set(occurrence, piece)
      if (!group.first.has(ownFamily)) group.first.set(ownFamily, declaration)
      from = at + 1
    })
  }
  return groups.map(({ pieces }) => pieces)
}

/** Longhands begin as their shorthand does: `border`, `background`, `text`. */
export function family(property: string): string {
  if (property.startsWith('--')) return property
  return /^(?:-\w+-)?(\w+)/.exec(property.toLowerCase())?.[1] ?? property
}
