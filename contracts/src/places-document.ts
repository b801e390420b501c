import { csvPieces, type Occurrence, type Range, statesOf } from '@undo-ink/core'
import { PLACE, RULE } from './entry-members.ts'
import { JsonBytes } from './json-bytes.ts'
import { jsonDocument, type Written } from './json-document.ts'

/** A place with the path of its file. */
export type PlaceInFile = Occurrence & { readonly path: string }

type Standing = Pick<Occurrence, 'selector' | 'subjects' | 'signals' | 'specificity' | 'atRules'> &
  Partial<Pick<Occurrence, 'heading' | 'literalOnly' | 'evidence'>>

/** Where something stands in its file, as a document tells it. */
export interface Lead {
  /** The index of its rule. */
  readonly rule: number
  readonly start: number
  readonly end: number
  /** See `Inner`; left out where its text is plain. */
  readonly inner?: object
}

/** The rules that the entries of a document stand in, each once: most are shared, and longer than all else of a place. */
export class RuleTable {
  private readonly json = new JsonBytes()
  private count = 0
  private readonly known = new Map<string, { readonly of: Standing; readonly index: number }>()
  /** The rule found last with a list of subjects: what stands in one rule was given its very lists. */
  private readonly bySubjects = new Map<readonly string[], { readonly of: Standing; readonly index: number }>()

  /** The index of the rule that something stands in. */
  indexOf(of: Standing): number {
    const before = this.bySubjects.get(of.subjects)
    if (before && isSame(before.of, of)) return before.index
    const key = keyOf(of)
    const found = this.known.get(key) ?? { of, index: this.add(of) }
    this.known.set(key, found)
    this.bySubjects.set(of.subjects, { of, index: found.index })
    return found.index
  }

  /** Where something stands, its rule among it. */
  leadOf(item: Standing & { readonly range: Range }): Lead {
    return { rule: this.indexOf(item), start: item.range.start, end: item.range.end }
  }

  /** The entries of the table as JSON, one a line, with commas between. */
  take(): Uint8Array<ArrayBuffer> {
    return this.json.take()
  }

  private add(of: Standing): number {
    const states = statesOf(of.signals)
    this.json.between().entry(of, RULE, states.length > 0 ? { states } : {})
    return this.count++
  }
}

/** What tells a rule from others; what is not known of it is as usual. */
function keyOf({
  selector,
  subjects,
  signals,
  specificity,
  atRules,
  heading,
  literalOnly,
  evidence,
}: Standing): string {
  const lists = [subjects.join('\n'), signals.join('\n'), ...atRules]
  return [selector, specificity, heading, literalOnly || null, evidence, ...lists].join('\0')
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

/** What stands before all else of a place, how it is encoded among it. */
export function placeLead(place: Standing & Pick<Occurrence, 'range' | 'inner'>, rules: RuleTable): Lead {
  const { inner } = place
  const lead = rules.leadOf(place)
  if (!inner) return lead
  return { ...lead, inner: inner.encoding === 'base64' ? { encoding: inner.encoding, ...inner.range } : inner }
}

/** Places as a document of their own, in pieces: `{version, files, occurrences, rules}`, each as the audit lists them, with the index of its file. */
export function placesJson(places: Iterable<PlaceInFile>): Generator<Uint8Array<ArrayBuffer>> {
  const rules = new RuleTable()
  const files = new Map<string, number>()
  function* entries(): Generator<Written> {
    for (const place of places) {
      const file = files.get(place.path) ?? files.size
      files.set(place.path, file)
      yield (json) => json.entry(place, PLACE, { file, ...placeLead(place, rules) })
    }
  }
  function* paths() {
    for (const path of files.keys()) yield { path }
  }
  function* table(): Generator<Written> {
    const written = rules.take()
    if (written.length > 0) yield (json) => json.put(written)
  }
  return jsonDocument({ version: 2, occurrences: entries(), files: paths(), rules: table() })
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

/** The heads of a table of places. */
export const PLACE_HEADS = Object.keys(COLUMNS)

const CELLS = Object.values(COLUMNS)

/** The cells of a place, in the order of their heads. */
export function placeCells(place: PlaceInFile): unknown[] {
  return CELLS.map((cell) => cell(place))
}

/** Places as a table (RFC 4180) in pieces, a row each; what a spreadsheet would take for a formula is escaped. */
export function placesCsv(places: Iterable<PlaceInFile>): Generator<string> {
  function* rows() {
    for (const place of places) yield placeCells(place)
  }
  return csvPieces(PLACE_HEADS, rows())
}
