import {
  type DocumentProblem,
  type PlanDocument,
  planDocumentSchema,
  readDecision,
  readInsertion,
  type SiteFile,
  type Snapshot,
} from '@undo-ink/contracts'
import {
  type Correction,
  type Decision,
  type FileChoice,
  type Insertion,
  type Role,
  reacher,
  type ScopePage,
} from '@undo-ink/core'
import type { PlaceOf, SitePlaces } from '../work/places.ts'

/** What a file of a plan would do here. */
export interface PlanImport {
  readonly document: PlanDocument
  /** Those that reach something, in their order. */
  readonly decisions: readonly Omit<Decision, 'id'>[]
  /** Rules to be added to sheets that are here. */
  readonly insertions: readonly Omit<Insertion, 'id'>[]
  /** Places of this copy that some of them takes, wholly or in part. */
  readonly places: number
  /** Those whose colors or limits this copy has nothing of. */
  readonly idle: readonly Omit<Decision, 'id'>[]
  /** Places here that it confirms to be colors. */
  readonly confirmed: readonly PlaceOf[]
  /** Slips that it puts right; none where it was made of other files. */
  readonly corrections: readonly Omit<Correction, 'id'>[]
  /** Files here for which it has another choice. */
  readonly choices: Readonly<Record<FileChoice, readonly SiteFile[]>>
  /** Those that cannot be read: a role that the palette here has not, a text that is no color. */
  readonly problems: readonly DocumentProblem[]
}

/** Reads a file of a plan against a copy. A text: why it is none. */
export function readPlanFile(
  text: string,
  places: SitePlaces,
  roles: readonly Role[],
  pages: readonly ScopePage[],
  { digest, files }: Pick<Snapshot, 'digest' | 'files'>,
): PlanImport | string {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return 'This is no JSON.'
  }
  const parsed = planDocumentSchema.safeParse(value)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    const at = issue?.path.join('.')
    const what = issue?.code === 'unrecognized_keys' ? `unknown member ${issue.keys.join(', ')}` : issue?.message
    return `This is no plan: ${what}${at ? `, at ${at}` : ''}.`
  }
  const read = parsed.data.decisions.map((entry, index) => readDecision(entry, index, roles))
  const reachOf = reacher(pages)
  const taken = new Set<number>()
  const [decisions, idle]: [Omit<Decision, 'id'>[], Omit<Decision, 'id'>[]] = [[], []]
  for (const each of read) {
    if (!('decision' in each)) continue
    const { decision } = each
    const reached = places
      .some(places.ofColors(decision.target.colors))
      .filter((place) => ['all', 'part'].includes(reachOf(decision.target, place).kind))
    for (const { index } of reached) taken.add(index)
    ;(reached.length > 0 ? decisions : idle).push(decision)
  }
  const added = (parsed.data.insertions ?? []).map((entry, index) => readInsertion(entry, index, roles))
  const missing = (path: string) => places.fileId(path) === ''
  const { files: choices = {}, corrections = [], copy } = parsed.data
  const chosen = (choice: FileChoice) => files.filter((file) => choices[file.path] === choice && file.choice !== choice)
  const wanted = new Set(parsed.data.confirmed?.map(({ path, start }) => `${path}\n${start}`))
  const paths = new Set(parsed.data.confirmed?.map(({ path }) => path))
  return {
    document: parsed.data,
    confirmed: [...paths].flatMap((path) =>
      places
        .some(places.inFile(path))
        .filter(({ confidence, range }) => confidence === 'possible' && wanted.has(`${path}\n${range.start}`)),
    ),
    corrections: copy === digest ? corrections : [],
    choices: { 'take-in': chosen('take-in'), 'set-aside': chosen('set-aside') },
    decisions,
    insertions: added.flatMap((each) => ('insertion' in each && !missing(each.insertion.path) ? [each.insertion] : [])),
    places: taken.size,
    idle,
    problems: [
      ...[...read, ...added].flatMap((each) => ('problem' in each ? [each.problem] : [])),
      ...added.flatMap((each, index) =>
        'insertion' in each && missing(each.insertion.path)
          ? [{ at: `insertions.${index}`, message: `this copy has no file ${each.insertion.path}` }]
          : [],
      ),
    ],
  }
}
