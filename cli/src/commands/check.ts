import type { CheckDocument } from '@undo-ink/contracts'
import { nearestRole, opaqueKey, parseColor } from '@undo-ink/core'
import { readRoles } from '../read-document.ts'
import { type ReadOptions, readFolder } from '../read-folder.ts'
import { sarifOf } from '../sarif.ts'
import { checkText } from '../text.ts'

/** Lists every color of a folder that is not of a palette, with its nearest role. `clean` when there is none. */
export async function check(
  folder: string,
  paletteFile: string,
  format: 'text' | 'json' | 'sarif',
  how: ReadOptions,
): Promise<{ output: string; clean: boolean }> {
  const roles = await readRoles(paletteFile)
  const keyOf = (text: string) => {
    const color = parseColor(text)
    return color && opaqueKey(color)
  }
  const brand = new Set(roles.map(({ color }) => keyOf(color)))
  const document: CheckDocument = { version: 1, root: folder, places: [] }
  for (const { path, reading } of (await readFolder(folder, how)).files) {
    for (const { line, column, raw, color, property, selector } of reading?.occurrences ?? []) {
      const read = brand.has(color) ? null : parseColor(color)
      if (!read) continue
      const near = nearestRole(read, roles)
      const nearest = near && { role: near.role.name, distance: Number(near.distance.toFixed(2)) }
      document.places.push({ file: path, line, column, raw, color, property, selector, nearest })
    }
  }
  const write = { text: checkText, json: asJson, sarif: (each: CheckDocument) => asJson(sarifOf(each)) }[format]
  return { output: write(document), clean: document.places.length === 0 }
}

function asJson(value: unknown): string {
  return `${JSON.stringify(value, null, 2)}\n`
}
