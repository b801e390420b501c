import { mkdir, readdir, readFile, realpath, writeFile } from 'node:fs/promises'
import { basename, dirname, join, resolve, sep } from 'node:path'
import { type PlanDocument, planDocumentSchema } from '@undo-ink/contracts'
import {
  applyEdits,
  type Becoming,
  changesInPlace,
  type Decision,
  decode,
  editsOf,
  encode,
  fileEdits,
  opaqueKey,
  parseColor,
  type Resolve,
  resolver,
} from '@undo-ink/core'
import { Misuse } from '../misuse.ts'
import { readDocument, rolesOf } from '../read-document.ts'
import { type FolderFile, type ReadOptions, readFolder } from '../read-folder.ts'

/** Writes a recoloured copy of a folder; all bytes that no decision touches are those of the input. */
export async function rewrite(folder: string, planFile: string, out: string, how: ReadOptions): Promise<string> {
  const resolvePlace = resolverOf(await readDocument(planFile, planDocumentSchema))
  await refuseOverwriting(folder, out)
  const total = { changes: 0, files: 0, hex: 0 }
  for (const file of await readFolder(folder, how)) {
    const { bytes, changes, hex } = rewritten(file, await readFile(join(folder, file.path)), resolvePlace)
    const target = join(out, file.path)
    await mkdir(dirname(target), { recursive: true })
    await writeFile(target, bytes)
    total.changes += changes
    total.hex += hex
    if (changes > 0) total.files++
  }
  return `${total.changes} changes in ${total.files} files, ${total.hex} of them written as hex\n`
}

function rewritten({ path, reading }: FolderFile, bytes: Buffer, resolvePlace: Resolve) {
  const changes = changesInPlace(
    (reading?.occurrences ?? []).map((each) => ({ ...each, path })),
    resolvePlace,
  )
  if (changes.length === 0) return { bytes, changes: 0, hex: 0 }
  const source = decode(path, bytes)
  if (typeof source === 'string') throw new Misuse(`${path} changed while it was read`)
  const text = applyEdits(source.text, fileEdits(path, source.text.length, editsOf(source.text, changes)))
  const hex = changes.filter(({ keptNotation }) => !keptNotation).length
  return { bytes: encode(text, source.encoding), changes: changes.length, hex }
}

function resolverOf({ palette, decisions }: PlanDocument): Resolve {
  const roles = rolesOf(palette)
  const made = decisions.map(({ target, to }, index): Decision => {
    const place = `decisions.${index}`
    const keyOf = (text: string) => {
      const color = parseColor(text)
      if (!color) throw new Misuse(`${place}: ${text} is not a color`)
      return opaqueKey(color)
    }
    const becoming = (): Becoming => {
      if ('keep' in to) return { kind: 'keep' }
      if ('inherit' in to) return { kind: 'inherit' }
      if ('follow' in to) return { kind: 'follow', lead: keyOf(to.follow) }
      if ('role' in to) {
        if (!roles.some(({ id }) => id === to.role)) throw new Misuse(`${place}: the palette has no role ${to.role}`)
        return { kind: 'role', role: to.role }
      }
      // Checked as a role is.
      rolesOf([{ role: place, color: to.color }])
      return { kind: 'color', color: to.color }
    }
    return { id: place, target: { ...target, colors: target.colors.map(keyOf) }, to: becoming() }
  })
  return resolver(made, roles)
}

/** The copy goes into a folder that is new or empty, neither within the input nor around it. */
async function refuseOverwriting(folder: string, out: string): Promise<void> {
  const input = await realpath(folder).catch(() => {
    throw new Misuse(`${folder} is no folder`)
  })
  const output = await real(resolve(out))
  const within = (inner: string, outer: string) =>
    inner === outer || inner.startsWith(outer.endsWith(sep) ? outer : outer + sep)
  if (within(output, input) || within(input, output))
    throw new Misuse(`${out} would write over ${folder}: choose a folder beside it`)
  const there = await readdir(output).catch(() => [])
  if (there.length > 0) throw new Misuse(`${out} is not empty: choose a new folder`)
}

/** The path without links, as far as it exists. */
async function real(path: string): Promise<string> {
  const found = await realpath(path).catch(() => null)
  return found ?? (dirname(path) === path ? path : join(await real(dirname(path)), basename(path)))
}
