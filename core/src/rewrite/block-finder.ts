import type { Block } from '../source/sheet/blocks.ts'

/** Finds the block whose own declarations hold an offset. */
export function blockFinder(blocks: readonly Block[]): (offset: number) => Block | null {
  const spans = blocks
    .flatMap((block) => block.declarations.map(({ start, end }) => ({ start, end, block })))
    .toSorted((a, b) => a.start - b.start)
  return (offset) => {
    let [low, high] = [0, spans.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((spans[middle]?.start ?? 0) <= offset) low = middle + 1
      else high = middle
    }
    const span = spans[low - 1]
    return span && offset < span.end ? span.block : null
  }
}
