import { type Correction, decode, parseLiteral, REMEDY_PROPERTIES } from '@undo-ink/core'
import { FileRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { placesOfFile } from '../audit/service.ts'
import { loadBytes } from '../audit/store.ts'

/** Refuses corrections that are not of the copy as it came, that write anything but a color or a property, or that lie on a place, which has its own decisions. */
export async function checkCorrections(snapshotId: string, corrections: readonly Correction[]): Promise<void> {
  const paths = [...new Set(corrections.map(({ path }) => path))]
  const files = await FileRow.findAll({ where: { snapshotId, path: paths, skipped: null } })
  for (const path of paths) {
    const inFile = corrections.filter((each) => each.path === path)
    const file = files.find((each) => each.path === path)
    const text = file?.sha256 ? textOf(path, await loadBytes(file.sha256)) : null
    if (!file || text === null) throw new Refusal('invalid-event', 'The copy has no such text', path)
    const places = await placesOfFile(file.id)
    for (const { range, raw, replacement } of inFile) {
      if (text.slice(range.start, range.end) !== raw || raw === '')
        throw new Refusal('invalid-event', 'The copy says something else there', path)
      if (!parseLiteral(replacement) && !REMEDY_PROPERTIES.has(replacement))
        throw new Refusal('invalid-event', 'Only a color or a property puts a slip right', replacement)
      if (places.some((place) => place.range.start < range.end && range.start < place.range.end))
        throw new Refusal('invalid-event', 'A color stands there, which is decided in its place', path)
    }
  }
}

function textOf(path: string, bytes: Buffer): string | null {
  const source = decode(path, bytes)
  return typeof source === 'string' ? null : source.text
}
