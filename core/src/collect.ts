/** Puts one more into the list of a key. */
export function append<K, T>(lists: Map<K, T[]>, key: K, item: T): void {
  const list = lists.get(key)
  if (list) list.push(item)
  else lists.set(key, [item])
}

/** Items in lists, by what each is asked for. */
export function groupBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const item of items) append(groups, key(item), item)
  return groups
}

/** How many items have each key. */
export function countBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, number> {
  const counts = new Map<K, number>()
  for (const item of items) counts.set(key(item), (counts.get(key(item)) ?? 0) + 1)
  return counts
}
