/** Combinations tried in full up to this many; beyond, every pair of two branches is tried in each of its four ways. */
const MOST = 64

/** The ways in which a template's branches are gone through: each a set of those that are taken. */
export function combinations(branches: readonly string[]): ReadonlySet<string>[] {
  if (2 ** branches.length <= MOST)
    return Array.from(
      { length: 2 ** branches.length },
      (_, row) => new Set(branches.filter((_name, i) => (row >> i) & 1)),
    )
  return pairwise(branches)
}

/** Rows that together hold every pair of values of every two branches: each row is grown by what covers most of what is left. */
function pairwise(branches: readonly string[]): ReadonlySet<string>[] {
  const left = new Set<string>()
  const key = (i: number, a: boolean, j: number, b: boolean) => `${i}${a ? '+' : '-'}${j}${b ? '+' : '-'}`
  for (let i = 0; i < branches.length; i++)
    for (let j = i + 1; j < branches.length; j++)
      for (const a of [true, false]) for (const b of [true, false]) left.add(key(i, a, j, b))
  const rows: ReadonlySet<string>[] = []
  while (left.size > 0) {
    const row: boolean[] = []
    // Begun with a pair that no row has yet, so that each covers one at least.
    const [, i = '0', a, j = '0', b] = /^(\d+)([+-])(\d+)([+-])$/.exec([...left][0] as string) ?? []
    for (let k = 0; k < branches.length; k++) {
      if (k === Number(i) || k === Number(j)) {
        row.push((k === Number(i) ? a : b) === '+')
        continue
      }
      const gain = (value: boolean) => row.filter((other, at) => left.has(key(at, other, k, value))).length
      row.push(gain(true) >= gain(false))
    }
    for (let x = 0; x < row.length; x++)
      for (let y = x + 1; y < row.length; y++) left.delete(key(x, row[x] as boolean, y, row[y] as boolean))
    rows.push(new Set(branches.filter((_name, at) => row[at])))
  }
  return rows
}
