import {
  append,
  type Confirmation,
  type Correction,
  type Decision,
  type Insertion,
  type Ledger,
  type LedgerPlace,
  placeAt,
  type Role,
  resolver,
  rewriteFile,
  type ScopePage,
  type SourceText,
  touches,
  type Unwritten,
  type WhyUnwritten,
} from '@undo-ink/core'
import { type PlannedChange, plannedChanges } from './planned-changes.ts'

/** A plan as it is written, in plain data. */
export interface PlanData {
  readonly decisions: readonly Decision[]
  readonly roles: readonly Role[]
  readonly pages: readonly ScopePage[]
  readonly confirmations: readonly Confirmation[]
  readonly corrections: readonly Correction[]
  readonly insertions: readonly Insertion[]
}

/** What was decided and is not written, where. */
export interface UnwrittenPlace {
  readonly path: string
  /** null: the end of the file. */
  readonly line: number | null
  readonly why: WhyUnwritten
}

/** Everything that a plan does to the files of a site, and what it does not. */
export interface SiteRewrite {
  readonly changes: readonly PlannedChange[]
  readonly unwritten: readonly UnwrittenPlace[]
}

/**
 * Writes a plan into the files of a copy, as the server does, and tells each change.
 * @param files ids by paths @param load gives the text of a file @param isOver whether nobody asks any more: then null comes back
 */
export async function rewriteSite(
  ledger: Ledger,
  plan: PlanData,
  files: ReadonlyMap<string, string>,
  load: (fileId: string) => Promise<SourceText>,
  isOver: () => boolean = () => false,
): Promise<SiteRewrite | null> {
  const { decisions, roles, pages, confirmations, corrections, insertions } = plan
  const writable = { resolver: resolver(decisions, roles, pages, confirmations), corrections, insertions }
  const byPath = placesByPath(ledger, plan)
  const touched = [...byPath.keys()].filter((path) => touches(path, byPath.get(path) ?? [], writable))
  const changes: PlannedChange[] = []
  const unwritten: UnwrittenPlace[] = []
  for (const path of touched.sort()) {
    const fileId = files.get(path)
    if (fileId === undefined) continue
    const source = await load(fileId)
    if (isOver()) return null
    const found = rewriteFile(source, byPath.get(path) ?? [], writable)
    const lines = source.text.split(/\r\n|\n|\r/).length
    for (const change of plannedChanges(found.changes, { path, fileId, lines, roles })) changes.push(change)
    for (const each of found.unwritten) unwritten.push({ path, line: lineOf(each), why: each.why })
  }
  return { changes, unwritten }
}

/** The places of the colors that something is decided of, file by file; files that are put right or get a rule have their list, too. */
function placesByPath(ledger: Ledger, { decisions, corrections, insertions }: PlanData): Map<string, LedgerPlace[]> {
  const decided = new Set(decisions.flatMap(({ target }) => target.colors))
  const { color } = ledger.columns
  const isDecided = color.values.map((key) => decided.has(key))
  const byPath = new Map([...corrections, ...insertions].map(({ path }): [string, LedgerPlace[]] => [path, []]))
  for (let at = 0; at < ledger.length; at++) {
    if (!isDecided[color.codes[at] as number]) continue
    const place = placeAt(ledger, at)
    append(byPath, place.path, place)
  }
  return byPath
}

function lineOf(each: Unwritten): number | null {
  if (each.of === 'rule') return null
  return each.of === 'slip' ? each.correction.line : each.place.line
}
