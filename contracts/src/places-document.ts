import { csvPieces, type Occurrence, OF_RULE, type Range, statesOf } from '@undo-ink/core'
import { jsonDocument } from './json-document.ts'
import { USUAL } from './usual.ts'

/** A place with the path of its file. */
export type PlaceInFile = Occurrence & { readonly path: string }

type Standing = Pick<Occurrence, 'selector' | 'subjects' | 'signals' | 'specificity' | 'atRules'> &
  Partial<Pick<Occurrence, 'heading' | 'literalOnly' | 'evidence'>>

type Entry = Record<string, unknown>

/** The rules that the entries of a document stand in, each once: most are shared, and longer than all else of a place. */
export class RuleTable {
  /** What the document lists. */
  readonly entries: Entry[] = []
  private readonly known = new Map<string, number>()
  /** The rule found last with a list of subjects: what stands in one rule was given its very lists. */
  private readonly bySubjects = new Map<readonly string[], { readonly of: Standing; readonly index: number }>()

  /** The index of the rule that something stands in. */
  indexOf(of: Standing): number {
    const { selector, subjects, signals, specificity, atRules, heading, literalOnly, evidence } = of
    const before = this.bySubjects.get(subjects)
    if (before && isSame(before.of, of)) return before.index
    const rule = sparse({ selector, subjects, signals, specificity, atRules, heading, literalOnly, evidence })
    const key = JSON.stringify(rule)
    const known = this.known.get(key)
    const index = known ?? this.entries.push(sparse({ states: statesOf(signals) }, rule)) - 1
    if (known === undefined) this.known.set(key, index)
    this.bySubjects.set(subjects, { of, index })
    return index
  }
}

function isSame(a: Standing, b: Standing): boolean {
  return (
    a.atRules === b.atRules &&
    a.signals === b.signals &&
    a.selector === b.selector &&
    a.specificity === b.specificity &&
    a.heading === b.heading &&
    a.literalOnly === b.literalOnly &&
    a.evidence === b.evidence
  )
}

/** An entry of a document without what is as usual. @param kept what it has besides @param without members that stand elsewhere */
export function sparse(members: object, kept: Entry = {}, without: ReadonlySet<string> = NONE): Entry {
  // One walk without copies: a large site has half a million entries.
  for (const name in members) {
    const value: unknown = members[name as keyof typeof members]
    if (value !== undefined && !without.has(name) && !isUsual(name, value)) kept[name] = value
  }
  return kept
}

const NONE: ReadonlySet<string> = new Set()
const USUALLY: ReadonlyMap<string, unknown> = new Map(Object.entries(USUAL))

function isUsual(name: string, value: unknown): boolean {
  const usual = USUALLY.get(name)
  return value === usual || (Array.isArray(value) && value.length === 0 && Array.isArray(usual))
}

/** What a rule says, and what an entry says in its own way. */
const ELSEWHERE: ReadonlySet<string> = new Set([...OF_RULE, 'range', 'inner', 'file', 'path', 'index', 'name'])

/** What stands in a rule, as a document lists it. @param file index of its file */
export function inRule<T extends Standing & { readonly range: Range }>(file: number, item: T, rules: RuleTable): Entry {
  const { start, end } = item.range
  return sparse(item, { file, rule: rules.indexOf(item), start, end }, ELSEWHERE)
}

/** A place as a document lists it. @param file index of its file */
export function placeEntry(file: number, place: Occurrence, rules: RuleTable): Entry {
  const entry = inRule(file, place, rules)
  const { inner } = place
  if (inner) entry.inner = inner.encoding === 'base64' ? { encoding: inner.encoding, ...inner.range } : inner
  return entry
}

/** Places as a document of their own, in pieces: `{version, files, occurrences, rules}`, each as the audit lists them. */
export function placesJson(places: Iterable<PlaceInFile>): Generator<string> {
  const rules = new RuleTable()
  const files = new Map<string, number>()
  function* entries() {
    for (const place of places) {
      const file = files.get(place.path) ?? files.size
      files.set(place.path, file)
      yield placeEntry(file, place, rules)
    }
  }
  function* paths() {
    for (const path of files.keys()) yield { path }
  }
  return jsonDocument({ version: 2, occurrences: entries(), files: paths(), rules: rules.entries })
}

/** The columns of a table of places, each with what it holds. */
const COLUMNS: Readonly<Record<string, (place: PlaceInFile) => unknown>> = {
  file: ({ path }) => path,
  line: ({ line }) => line,
  column: ({ column }) => column,
  start: ({ range }) => range.start,
  end: ({ range }) => range.end,
  raw: ({ raw }) => raw,
  notation: ({ notation }) => notation,
  color: ({ color }) => color,
  alpha: ({ alpha }) => alpha,
  use: ({ use }) => use,
  property: ({ property }) => property,
  selector: ({ selector }) => selector,
  subject: ({ subjects }) => subjects.join(', '),
  states: ({ signals }) => statesOf(signals).join(' '),
  atRules: ({ atRules }) => atRules.join(' '),
  heading: ({ heading }) => heading,
  important: ({ important }) => important,
  opacity: ({ opacity }) => opacity,
  variable: ({ variable }) => variable,
  computedWith: ({ computedWith }) => computedWith,
  confidence: ({ confidence }) => confidence,
  evidence: ({ evidence }) => evidence,
  literalOnly: ({ literalOnly }) => literalOnly,
}

/** Places as a table (RFC 4180) in pieces, a row each; what a spreadsheet would take for a formula is escaped. */
export function placesCsv(places: Iterable<PlaceInFile>): Generator<string> {
  const cells = Object.values(COLUMNS)
  function* rows() {
    for (const place of places) yield cells.map((cell) => cell(place))
  }
  return csvPieces(Object.keys(COLUMNS), rows())
}
