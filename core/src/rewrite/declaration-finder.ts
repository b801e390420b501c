import type { Block, Declaration } from '../source/sheet/blocks.ts'

/** A declaration with the block that it is one of. */
export interface Declared {
  readonly block: Block
  readonly declaration: Declaration
}

/** Finds the declaration that holds an offset. */
export function declarationFinder(blocks: readonly Block[]): (offset: number) => Declared | null {
  const all = blocks
    .flatMap((block) => block.declarations.map((declaration): Declared => ({ block, declaration })))
    .toSorted((a, b) => a.declaration.start - b.declaration.start)
  return (offset) => {
    let [low, high] = [0, all.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((all[middle]?.declaration.start ?? 0) <= offset) low = middle + 1
      else high = middle
    }
    const found = all[low - 1]
    return found && offset < found.declaration.end ? found : null
  }
}
