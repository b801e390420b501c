import type { Occurrence } from '../source/occurrence.ts'

/** One hard-coded color with its file: a row of the ledger. */
export interface LedgerPlace extends Occurrence {
  /** Index among all places of the snapshot, by file and position. */
  readonly index: number
  readonly path: string
}

/** What differs from place to place and is kept as plain numbers. */
export const POSITIONS = ['start', 'end', 'line', 'column'] as const
export type PositionField = (typeof POSITIONS)[number]

/** What many places have in common: each distinct value is kept once. */
export const FIELDS = [
  'path',
  'raw',
  'color',
  'alpha',
  'notation',
  'use',
  'property',
  'selector',
  'subjects',
  'signals',
  'specificity',
  'atRules',
  'heading',
  'important',
  'variable',
  'opacity',
  'literalOnly',
  'evidence',
  'functions',
  'computedWith',
  'confidence',
  'isWhole',
  'inner',
] as const satisfies readonly (keyof LedgerPlace)[]
export type Field = (typeof FIELDS)[number]

/** Those of them that are lists of texts, most of which many lists share. */
export const LISTS = ['subjects', 'signals', 'atRules', 'functions'] as const satisfies readonly Field[]

export function isList(field: string): field is (typeof LISTS)[number] {
  return (LISTS as readonly string[]).includes(field)
}

/** The law that a place is made of its index, its positions and its fields, and of nothing else. */
type Kept = Field | 'index' | 'range' | 'line' | 'column'
true satisfies [Exclude<keyof LedgerPlace, Kept>] extends [never] ? true : false
