import { createHash } from 'node:crypto'
import { copyFile, mkdir, readdir, readFile, realpath, writeFile } from 'node:fs/promises'
import { basename, dirname, join, resolve, sep } from 'node:path'
import {
  EVENT_PROBLEM_WORDS,
  type PlanDocument,
  planDocumentSchema,
  readDecision,
  readInsertion,
  UNWRITTEN_WORDS,
} from '@undo-ink/contracts'
import {
  bytesAfter,
  copyText,
  type Decision,
  decode,
  type EventFacts,
  eventProblem,
  foldPlan,
  type Insertion,
  type PlanEvent,
  type Resolver,
  type Role,
  resolver,
  rewriteFile,
  type Unwritten,
  type WritablePlan,
} from '@undo-ink/core'
import { Misuse } from '../misuse.ts'
import { readDocument, rolesOf } from '../read-document.ts'
import { type FileHeld, type ReadOptions, readFolder } from '../read-folder.ts'
import { count, type Printed } from '../text.ts'

/** How a plan is taken. */
export interface RewriteOptions extends ReadOptions {
  /** Whether places that are only possibly colors take part, confirmed or not. */
  readonly includePossible: boolean
  /** Whether a plan that was made of other files is taken all the same. */
  readonly anyCopy: boolean
}

/** Writes a recoloured copy of a folder; all bytes that no decision touches are those of the input. */
export async function rewrite(folder: string, planFile: string, out: string, how: RewriteOptions): Promise<Printed> {
  const document = await readDocument(planFile, planDocumentSchema)
  const [roles, decisions] = [rolesOf(document.palette), decisionsOf(document)]
  const insertions = insertionsOf(document)
  const corrections = (document.corrections ?? []).map((each, index) => ({ ...each, id: `corrections.${index}` }))
  await refuseOverwriting(folder, out)
  const { files, pages, unopened } = await readFolder(folder, how, new Map(Object.entries(document.files ?? {})))
  refuseOtherCopy(planFile, document, files, how)
  const events: PlanEvent[] = [
    { kind: 'decide', decisions },
    { kind: 'correct', corrections },
    { kind: 'insert', insertions },
    { kind: 'confirm', confirmations: [{ id: 'confirmed', places: document.confirmed ?? [] }] },
  ]
  if (!how.anyCopy) refuseUnfit(planFile, document, events, await factsOf(folder, files, roles, corrections))
  const places = files.flatMap(placesOf)
  const confirmed = how.includePossible
    ? places.flatMap(({ confidence, path, range }) => (confidence === 'possible' ? [{ path, start: range.start }] : []))
    : (document.confirmed ?? [])
  const plan = resolver(decisions, roles, pages.pages, [{ id: 'confirmed', places: confirmed }])
  const writable = { resolver: plan, corrections, insertions }
  const idle = idleIn(document, places, plan)
  refuseIdle(planFile, document, idle)
  const total = { changes: 0, rules: 0, files: 0, hex: 0 }
  const unwritten: string[] = []
  for (const file of files) {
    const [from, to] = [join(folder, file.path), join(out, file.path)]
    await mkdir(dirname(to), { recursive: true })
    if (file.reading === null) {
      await copyFile(from, to)
      continue
    }
    const { bytes, changes, rules, hex, left } = rewritten(file, await readFile(from), writable)
    await writeFile(to, bytes)
    total.changes += changes
    total.rules += rules
    total.hex += hex
    if (changes + rules > 0) total.files++
    for (const each of left) if (each.why !== 'possible') unwritten.push(`${file.path}${unwrittenText(each)}`)
  }
  const rules = total.rules > 0 ? ` and ${count(total.rules, 'rule')}` : ''
  const apart = places.filter((place) => plan.outcome(place).kind === 'possible').length
  const said = [
    `${count(total.changes, 'change')}${rules} in ${count(total.files, 'file')}, ${total.hex} of them written as hex`,
    ...(apart > 0
      ? [
          `${count(apart, 'place is only possibly a colour and stays as it is', 'places are only possibly colours and stay as they are')} (--include possible takes ${apart === 1 ? 'it' : 'them'})`,
        ]
      : []),
    ...pages.leftOut.map(
      ({ path, pages: loading, places: held }) =>
        `left out: ${path}, which ${loading.length} of ${count(pages.pages.length, 'page')} ${loading.length === 1 ? 'loads' : 'load'}${held === null ? '' : `, with ${count(held, 'place')}`}`,
    ),
    ...idle.map((at) => `finds nothing here: ${at}`),
    ...(unwritten.length > 0 ? ['decided, but not written:', ...unwritten] : []),
  ]
  return { output: [`${said.join('\n')}\n`], unopened }
}

/** What was not written, behind its path. */
function unwrittenText(each: Unwritten): string {
  if (each.of === 'rule') return `  ${each.insertion.selector.trim()}  ${UNWRITTEN_WORDS[each.why]}`
  const { line, column, raw } = each.of === 'slip' ? each.correction : each.place
  return `:${line}:${column}  ${raw}  ${UNWRITTEN_WORDS[each.why]}`
}

function placesOf({ path, reading }: Pick<FileHeld, 'path' | 'reading'>) {
  return (reading?.occurrences ?? []).map((each) => ({ ...each, path }))
}

/** Refuses a folder that does not hold the files that the plan was made of, unless that is asked for. */
function refuseOtherCopy(
  planFile: string,
  { copy, site, corrections = [] }: PlanDocument,
  files: readonly FileHeld[],
  { anyCopy }: RewriteOptions,
): void {
  if (copy === undefined) return
  const digest = createHash('sha256').update(copyText(files)).digest('hex')
  if (digest === copy) return
  const of = site === undefined ? 'other files' : `other files, those of the site ${site}`
  if (!anyCopy)
    throw new Misuse(
      `${planFile} was made of ${of}: this folder does not hold the same (--any-copy takes the plan all the same)`,
    )
  if (corrections.length > 0)
    throw new Misuse(
      `${planFile} puts ${corrections.length} slips right, which are places of ${of}: take them out first`,
    )
}

/** The decisions that are about no place of the folder, as the document places them. */
function idleIn({ decisions }: PlanDocument, places: ReturnType<typeof placesOf>, plan: Resolver): string[] {
  const found = new Set(
    places.flatMap((place) =>
      // Places that are only possibly colors count here: the plan is about them, too.
      plan
        .reached({ ...place, confidence: 'certain' })
        .flatMap(({ decision, reach }) => (reach.kind === 'none' ? [] : [decision.id])),
    ),
  )
  return decisions.map((_, index) => `decisions.${index}`).filter((id) => !found.has(id))
}

/** What the plan is checked against: the same as where it is made. */
async function factsOf(
  folder: string,
  files: readonly FileHeld[],
  roles: readonly Role[],
  corrections: readonly { readonly path: string }[],
): Promise<EventFacts> {
  const byPath = new Map(files.map((file) => [file.path, file]))
  const texts = new Map<string, string>()
  for (const { path } of corrections) {
    const source = byPath.get(path)?.reading ? decode(path, await readFile(join(folder, path))) : null
    if (source && typeof source !== 'string') texts.set(path, source.text)
  }
  return {
    roles,
    paletteVersions: [],
    hasFile: (path) => byPath.has(path),
    textOf(path) {
      const text = texts.get(path)
      const places = byPath.get(path)?.reading?.occurrences.map(({ range }) => range) ?? []
      return text === undefined ? null : { text, places }
    },
  }
}

/** Refuses a plan that names what the folder does not have, or could not have been made of it. */
function refuseUnfit(
  planFile: string,
  { files: choices = {} }: PlanDocument,
  events: readonly PlanEvent[],
  facts: EventFacts,
): void {
  const unknown = Object.keys(choices).find((path) => !facts.hasFile(path))
  if (unknown !== undefined) throw new Misuse(`${planFile}: ${EVENT_PROBLEM_WORDS['file-unknown']}: ${unknown}`)
  const nothing = foldPlan({ tolerance: 0, paletteVersion: 1 }, [])
  for (const event of events) {
    const found = eventProblem(nothing, event, facts)
    if (found)
      throw new Misuse(`${planFile}: ${EVENT_PROBLEM_WORDS[found.code]}${found.about ? `: ${found.about}` : ''}`)
  }
}

/** A plan of which nothing finds anything is one for something else. */
function refuseIdle(
  planFile: string,
  { decisions, insertions = [], corrections = [] }: PlanDocument,
  idle: readonly string[],
): void {
  if (decisions.length > 0 && insertions.length + corrections.length === 0 && idle.length === decisions.length)
    throw new Misuse(
      `${planFile} finds nothing here: none of its ${decisions.length} decisions is about a color of this folder`,
    )
}

function rewritten({ path, reading }: FileHeld, bytes: Buffer, plan: WritablePlan) {
  const source = decode(path, bytes)
  if (typeof source === 'string') throw new Misuse(`${path} changed while it was read`)
  const found = rewriteFile(source, placesOf({ path, reading }), plan)
  const literals = found.changes.filter(
    ({ edit }) => edit.kind === 'replace-literal' || edit.kind === 'change-declaration',
  )
  return {
    bytes: bytesAfter(source, found),
    changes: literals.length,
    rules: found.edits.edits.length - new Set(literals.map(({ edit }) => edit)).size,
    hex: literals.filter(({ keptNotation, edit }) => !keptNotation && edit.kind === 'replace-literal').length,
    left: found.unwritten,
  }
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
