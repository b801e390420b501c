import { type LinkedVariables, linkedVariables, type VariableFacts } from '@undo-ink/core'
import type { FileKept } from '../read-folder.ts'

/** What is printed of a file, as far as it alone tells: many times smaller than its reading. @typeParam C its content in some format */
export interface Draft<C> {
  readonly content: C
  readonly variables: VariableFacts
}

/** What each file tells of variables. */
export function factsIn(files: readonly FileKept<Draft<unknown>>[]): VariableFacts[] {
  return files.flatMap(({ kept }) => (kept ? [kept.variables] : []))
}

/** What all files together tell of them. */
export function linkedIn(files: readonly FileKept<Draft<unknown>>[]): LinkedVariables {
  return linkedVariables(factsIn(files))
}
