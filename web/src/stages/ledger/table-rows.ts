import type { Groups } from '@undo-ink/core'

/** Where the rows of a table with groups stand: each group's name, then its places. */
export interface TableRows {
  readonly count: number
  /** By group: the row of its name. */
  readonly starts: Uint32Array
}

export function rowsOf({ counts }: Groups): TableRows {
  const starts = new Uint32Array(counts.length)
  let count = 0
  counts.forEach((places, i) => {
    starts[i] = count
    count += 1 + places
  })
  return { count, starts }
}

/** What a row shows: a place, by its position among those shown, or, where that is null, the name of a group. */
export function placeInRow({ starts }: TableRows, row: number): { group: number; position: number | null } {
  const group = lastAtMost(starts, (i) => starts[i] as number, row)
  const within = row - (starts[group] as number)
  return { group, position: within === 0 ? null : row - group - 1 }
}

/** The row of a place. @param position among the places shown */
export function rowOfPlace({ starts }: TableRows, position: number): number {
  // Before the places of a group stand those of the groups before it: its row less the names above.
  const group = lastAtMost(starts, (i) => (starts[i] as number) - i, position)
  return position + group + 1
}

/** The last of some rising values that is not above a limit. */
function lastAtMost(list: Uint32Array, at: (i: number) => number, limit: number): number {
  let low = 0
  let high = list.length - 1
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if (at(middle) <= limit) low = middle
    else high = middle - 1
  }
  return low
}
