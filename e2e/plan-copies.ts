import {
  bytesAfter,
  decode,
  type LedgerPlace,
  ledgerOf,
  linkVariables,
  listPages,
  placeAt,
  type Resolver,
  readSource,
  rewriteFile,
  type ScopePage,
  type SourceText,
} from '@undo-ink/core'

/** A site as the check reads it: what is rewritten, and all else. */
export interface Copy {
  readonly sources: readonly SourceText[]
  readonly others: ReadonlyMap<string, Buffer>
  readonly places: readonly LedgerPlace[]
  readonly pages: readonly ScopePage[]
}

export function readCopy(files: ReadonlyMap<string, Buffer>): Copy {
  const sources: SourceText[] = []
  const others = new Map<string, Buffer>()
  for (const [path, bytes] of files) {
    const source = /\.(?:html|css)$/.test(path) ? decode(path, bytes) : 'other'
    if (typeof source === 'string') others.set(path, bytes)
    else sources.push(source)
  }
  const readings = linkVariables(sources.map((source) => ({ path: source.path, reading: readSource(source) })))
  const ledger = ledgerOf(readings.map(({ path, reading }) => ({ path, occurrences: reading?.occurrences ?? [] })))
  const { pages } = listPages(
    readings.flatMap(({ path, reading }) => (reading ? [{ path, reading }] : [])),
    [...files.keys()],
  )
  return { sources, others, places: Array.from({ length: ledger.length }, (_, i) => placeAt(ledger, i)), pages }
}

/** The copy that a plan makes. */
export interface Written {
  readonly files: ReadonlyMap<string, Buffer>
  /** What was to become a gradient and has no image, which the product tells. */
  readonly withoutImage: ReadonlySet<LedgerPlace>
}

export function written({ sources, others, places }: Copy, plan: Resolver): Written {
  const files = new Map(others)
  const withoutImage = new Set<LedgerPlace>()
  for (const source of sources) {
    const own = places.filter(({ path }) => path === source.path)
    const found = rewriteFile(source, own, { resolver: plan, corrections: [], insertions: [] })
    for (const each of found.unwritten) if (each.of === 'place' && each.why === 'gradient') withoutImage.add(each.place)
    files.set(source.path, Buffer.from(bytesAfter(source, found)))
  }
  return { files, withoutImage }
}

/** The color by which a place is told. */
export const markOf = (index: number) => 0x400001 + index * 3

/** A plan that gives each place its mark. */
export const MARKS: Resolver = {
  outcome: (place) => {
    const mark = markOf((place as LedgerPlace).index)
    const color = { r: (mark >> 16) / 255, g: ((mark >> 8) & 255) / 255, b: (mark & 255) / 255, alpha: 1 }
    return {
      kind: 'color',
      decision: { id: '', target: { colors: [] }, to: { kind: 'keep' } },
      color,
      alpha: null,
      follows: null,
    }
  },
  pieces: () => [],
  reached: () => [],
  groundOf: () => null,
}
