/** Places of which a reader could only say that they are possibly colors, and that somebody has confirmed to be. Until then they take nothing. */
export interface Confirmation {
  /** Unique within the plan, decisions counted. */
  readonly id: string
  readonly places: readonly ConfirmedPlace[]
}

export interface ConfirmedPlace {
  /** Of the file. */
  readonly path: string
  /** Where the literal begins, in UTF-16 units of the decoded text. */
  readonly start: number
}

/** Answers whether a place was confirmed. Linear in all of them once. */
export function confirmer(
  confirmations: readonly Confirmation[],
): (path: string | undefined, start: number) => boolean {
  const byPath = new Map<string, Set<number>>()
  for (const { places } of confirmations)
    for (const { path, start } of places) {
      const known = byPath.get(path)
      if (known) known.add(start)
      else byPath.set(path, new Set([start]))
    }
  return (path, start) => path !== undefined && byPath.get(path)?.has(start) === true
}
