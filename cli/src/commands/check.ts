import type { CheckDocument } from '@undo-ink/contracts'
import { nearestRole, opaqueKey, parseColor } from '@undo-ink/core'
import { readRoles } from '../read-document.ts'
import { type ReadOptions, readFolder } from '../read-folder.ts'
import { sarifOf } from '../sarif.ts'
import { asJson, checkText, type Printed } from '../text.ts'

/** Lists every color of a folder that is not of a palette, with its nearest role. `clean` when there is none. */
export async function check(
  folder: string,
  paletteFile: string,
  format: 'text' | 'json' | 'sarif',
  how: ReadOptions,
): Promise<Printed & { clean: boolean }> {
  const roles = await readRoles(paletteFile)
  const keyOf = (text: string) => {
    const color = parseColor(text)
    return color && opaqueKey(color)
  }
  const brand = new Set(roles.map(({ color }) => keyOf(color)))
  const document: CheckDocument = { version: 1, root: folder, places: [] }
  const { files, unopened } = await readFolder(folder, how)
  for (const { path, reading } of files) {
    for (const { line, column, raw, color, property, selector } of reading?.occurrences ?? []) {
      const read = brand.has(color) ? null : parseColor(color)
      if (!read) continue
      const near = nearestRole(read, roles)
      const nearest = near && { role: near.role.name, distance: Number(near.distance.toFixed(2)) }
      document.places.push({ file: path, line, column, raw, color, property, selector, nearest })
    }
  }
  const write = { text: checkText, json: asJson, sarif: (each: CheckDocument) => asJson(sarifOf(each)) }[format]
  return { output: [write(document)], unopened, clean: document.places.length === 0 }
}
