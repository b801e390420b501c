import { append } from '../collect.ts'
import { type LinkedVariables, linkedVariables, linkTriple } from './link-variables.ts'
import type { Definition, Reading, Reference } from './occurrence.ts'
import { type TakenVariable, type VariableFacts, variableFacts, variableKey } from './variable-facts.ts'

/** What one file of a site holds. */
export interface FileReading {
  readonly path: string
  readonly reading: Reading
}

type InFile<T> = T & { readonly file: string }

/** A variable that carries a color. */
export interface CarryingVariable {
  /** As it is looked up, with its sigil. */
  readonly key: string
  /** Places that take its value in the end, directly or through other variables, each counted once. */
  readonly uses: number
}

/** The same with everything that defines it or takes it, across files, in their order. */
export interface Variable extends Pick<CarryingVariable, 'uses'> {
  /** With its sigil. */
  readonly name: string
  readonly definitions: readonly InFile<Definition>[]
  readonly references: readonly InFile<Reference>[]
}

/** Steps along chains of variables that are taken in all before only direct uses are counted: hostile chains cost no time. */
const MOST_STEPS = 2_000_000

/** Each variable that carries a color, by name. @param facts of all files of a site, in their order @param linked what these tell together */
export function carryingVariables(facts: readonly VariableFacts[], linked: LinkedVariables): CarryingVariable[] {
  const carrying = new Set<string>()
  const taken = new Map<string, TakenVariable[]>()
  for (const file of facts) {
    for (const each of file.taken) append(taken, each.key, each)
    for (const key of file.colored) carrying.add(key)
    for (const triple of file.triples)
      if (triple.variable !== null && linkTriple(triple, linked)) carrying.add(variableKey(triple.variable))
  }
  // A set is walked in the order of insertion, what is added on the way included.
  for (const key of carrying) for (const { by } of taken.get(key) ?? []) if (by !== null) carrying.add(by)

  let steps = 0
  const usesOf = (key: string) => {
    const met = new Set([key])
    let uses = 0
    for (const each of met)
      for (const { by, places } of taken.get(each) ?? []) {
        if (by === null) uses += places
        else if (++steps < MOST_STEPS) met.add(by)
      }
    return uses
  }
  return [...carrying].sort().map((key) => ({ key, uses: usesOf(key) }))
}

/** Each variable that carries a color, with all that is written of it in all files together, by name. */
export function listVariables(files: readonly FileReading[]): Variable[] {
  const definitions = new Map<string, InFile<Definition>[]>()
  const references = new Map<string, InFile<Reference>[]>()
  for (const { path: file, reading } of files) {
    for (const each of reading.definitions) append(definitions, variableKey(each.name), { ...each, file })
    for (const each of reading.references) append(references, variableKey(each.name), { ...each, file })
  }
  const facts = files.map(({ reading }) => variableFacts(reading))
  return carryingVariables(facts, linkedVariables(facts)).map(({ key, uses }) => ({
    name: definitions.get(key)?.[0]?.name ?? key,
    definitions: definitions.get(key) ?? [],
    references: references.get(key) ?? [],
    uses,
  }))
}
