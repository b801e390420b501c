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
  'specificity',
  'heading',
  'important',
  'variable',
  'opacity',
  'literalOnly',
  'evidence',
  'computedWith',
  'confidence',
  'isWhole',
  'inner',
] as const satisfies readonly (keyof LedgerPlace)[]
export type Field = (typeof FIELDS)[number]

/** The same of lists of texts: there may be as many lists as places, and few texts in all of them. */
export const LISTS = ['subjects', 'signals', 'atRules', 'functions'] as const satisfies readonly (keyof LedgerPlace)[]
export type ListField = (typeof LISTS)[number]

/** The law that a place is made of its index, its positions, its fields and its lists, and of nothing else. */
type StoredField = Field | ListField | 'index' | 'range' | 'line' | 'column'
true satisfies [Exclude<keyof LedgerPlace, StoredField>] extends [never] ? true : false
