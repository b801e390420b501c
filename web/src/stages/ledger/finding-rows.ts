import type { Correction, PlacedFinding, Remedy } from '@undo-ink/core'
import type { InFile } from '../../work/places.ts'

/** Something odd in a received text, and the correction that puts it right, where one was accepted. */
export interface FindingRow {
  readonly finding: InFile<PlacedFinding>
  readonly correction: Correction | null
}

/** All findings in their order, each with its correction. */
export function findingRows(
  findings: readonly InFile<PlacedFinding>[],
  corrections: readonly Correction[],
): FindingRow[] {
  const keyOf = ({ path, range }: { path: string; range: Remedy['range'] }) => `${range.start} ${range.end} ${path}`
  const known = new Map(corrections.map((correction) => [keyOf(correction), correction]))
  return findings.map((finding) => {
    const { remedy, path } = finding
    return { finding, correction: (remedy && known.get(keyOf({ ...remedy, path }))) ?? null }
  })
}
