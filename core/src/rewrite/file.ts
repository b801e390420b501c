import type { PlanState } from '../plan/history.ts'
import type { Resolver } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import { readBlocks } from '../source/read.ts'
import type { Block } from '../source/sheet/blocks.ts'
import { type FileEdits, fileEdits } from '../text/edit.ts'
import type { SourceText } from '../text/source-text.ts'
import { type Corrected, correctedBy, editOf } from './corrections.ts'
import { type DeclarationChanges, declarationChanges } from './declarations.ts'
import { type Change, changesInPlace, editsOf } from './in-place.ts'
import { insertionEdits } from './insertions.ts'
import { type Split, splitsOf, type Unsplit } from './split.ts'

/** Everything that a plan does to one file. */
export interface FileRewrite<O extends Occurrence = Occurrence> {
  readonly changes: readonly Change<O>[]
  /** Gradients made of solids, and solids of gradients. */
  readonly declarations: DeclarationChanges<O>
  readonly corrected: readonly Corrected[]
  readonly splits: readonly Split<O>[]
  /** What was decided and could not be written. */
  readonly unsplit: readonly Unsplit<O>[]
  readonly edits: FileEdits
}

/** What of a plan is about one file by itself. */
export type FilePlan = Pick<PlanState, 'corrections' | 'insertions'>

/** The corrections and insertions of one file. */
export function filePlanOf({ corrections, insertions }: FilePlan, path: string): FilePlan {
  return {
    corrections: corrections.filter((each) => each.path === path),
    insertions: insertions.filter((each) => each.path === path),
  }
}

/** @param occurrences of the file, in its order, each with the path */
export function rewriteOf<O extends Occurrence & { readonly path: string }>(
  source: SourceText,
  occurrences: readonly O[],
  { corrections, insertions }: FilePlan,
  resolver: Resolver,
): FileRewrite<O> {
  const { path, text } = source
  let read: Block[] | null = null
  const blocks = () => (read ??= readBlocks(source))
  const declarations = declarationChanges(text, occurrences, resolver, blocks)
  const changes = changesInPlace(
    occurrences.filter((each) => !declarations.swallowed.has(each)),
    resolver,
  )
  const corrected = corrections.map((correction) => correctedBy(correction, resolver))
  const { splits, unsplit } = splitsOf(text, occurrences, resolver, blocks)
  const edits = [
    ...editsOf(text, changes),
    ...declarations.edits,
    ...corrected.map(editOf),
    ...splits.map(({ edit }) => edit),
    ...insertionEdits(text, insertions, resolver),
  ]
  return { changes, declarations, corrected, splits, unsplit, edits: fileEdits(path, text.length, edits) }
}

/** Whether a plan says anything about a file, told without its text. */
export function touches(
  occurrences: readonly Occurrence[],
  { corrections, insertions }: FilePlan,
  { reached }: Resolver,
): boolean {
  return corrections.length + insertions.length > 0 || occurrences.some((each) => reached(each).length > 0)
}
