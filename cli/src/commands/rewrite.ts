import { mkdir, readdir, readFile, realpath, writeFile } from 'node:fs/promises'
import { basename, dirname, join, resolve, sep } from 'node:path'
import { type PlanDocument, planDocumentSchema, readDecision, readInsertion } from '@undo-ink/contracts'
import {
  applyEdits,
  type Decision,
  decode,
  encode,
  type FilePlan,
  filePlanOf,
  type Insertion,
  listPages,
  type Resolver,
  resolver,
  rewriteOf,
  type ScopePage,
  type Unsplit,
} from '@undo-ink/core'
import { Misuse } from '../misuse.ts'
import { readDocument, rolesOf } from '../read-document.ts'
import { type FolderFile, type ReadOptions, readFolder } from '../read-folder.ts'

/** Writes a recoloured copy of a folder; all bytes that no decision touches are those of the input. */
export async function rewrite(folder: string, planFile: string, out: string, how: ReadOptions): Promise<string> {
  const document = await readDocument(planFile, planDocumentSchema)
  const [roles, decisions] = [rolesOf(document.palette), decisionsOf(document)]
  const insertions = insertionsOf(document)
  await refuseOverwriting(folder, out)
  const files = await readFolder(folder, how)
  const plan = resolver(decisions, roles, pagesOf(files))
  const total = { changes: 0, rules: 0, files: 0, hex: 0 }
  const unwritten: string[] = []
  for (const file of files) {
    const own = filePlanOf({ corrections: [], insertions }, file.path)
    const { bytes, changes, rules, hex, unsplit } = rewritten(file, await readFile(join(folder, file.path)), own, plan)
    const target = join(out, file.path)
    await mkdir(dirname(target), { recursive: true })
    await writeFile(target, bytes)
    total.changes += changes
    total.rules += rules
    total.hex += hex
    if (changes + rules > 0) total.files++
    for (const { occurrence, why } of unsplit)
      unwritten.push(`${file.path}:${occurrence.line}:${occurrence.column}  ${occurrence.raw}  ${UNSPLIT_WORDS[why]}`)
  }
  const rules = total.rules > 0 ? ` and ${total.rules} rules` : ''
  const said = `${total.changes} changes${rules} in ${total.files} files, ${total.hex} of them written as hex`
  return `${[said, ...(unwritten.length > 0 ? ['decided, but not written:', ...unwritten] : [])].join('\n')}\n`
}

const UNSPLIT_WORDS: Readonly<Record<Unsplit['why'], string>> = {
  block: 'no rule holds its whole declaration',
  selector: 'the selectors of its rule are not written as they are read',
  gradient: 'a gradient becomes a solid, or a solid a gradient, for its whole rule only',
  'pseudo-element': 'nothing can be nested in the rule of a pseudo-element',
}

function rewritten({ path, reading }: FolderFile, bytes: Buffer, own: FilePlan, plan: Resolver) {
  const places = (reading?.occurrences ?? []).map((each) => ({ ...each, path }))
  const source = places.length + own.insertions.length > 0 ? decode(path, bytes) : null
  if (source === null) return { bytes, changes: 0, rules: 0, hex: 0, unsplit: [] }
  if (typeof source === 'string') throw new Misuse(`${path} changed while it was read`)
  const { changes, splits, unsplit, edits } = rewriteOf(source, places, own, plan)
  return {
    bytes: edits.edits.length === 0 ? bytes : encode(applyEdits(source.text, edits), source.encoding),
    changes: changes.length,
    rules: splits.length + own.insertions.length,
    hex: changes.filter(({ keptNotation }) => !keptNotation).length,
    unsplit,
  }
}

function pagesOf(files: readonly FolderFile[]): readonly ScopePage[] {
  const read = files.flatMap(({ path, reading }) => (reading ? [{ path, reading }] : []))
  const paths = files.map(({ path }) => path)
  return listPages(read, paths).pages
}

function decisionsOf({ palette, decisions }: PlanDocument): Decision[] {
  const roles = rolesOf(palette)
  return decisions.map((entry, index) => {
    const read = readDecision(entry, index, roles)
    if ('problem' in read) throw new Misuse(`${read.problem.at}: ${read.problem.message}`)
    return { ...read.decision, id: `decisions.${index}` }
  })
}

function insertionsOf({ palette, insertions = [] }: PlanDocument): Insertion[] {
  const roles = rolesOf(palette)
  return insertions.map((entry, index) => {
    const read = readInsertion(entry, index, roles)
    if ('problem' in read) throw new Misuse(`${read.problem.at}: ${read.problem.message}`)
    return { ...read.insertion, id: `insertions.${index}` }
  })
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
