import type { Range } from './range.ts'

/** The text is not of its language. */
const FAULTS = [
  'unclosed-comment',
  'unclosed-string',
  'unclosed-block',
  'unexpected-close',
  'unreadable-css',
  'drawing-not-reversible',
  'unparsed-script',
] as const
export type FaultCode = (typeof FAULTS)[number]

export function isFault(code: FindingCode): code is FaultCode {
  return (FAULTS as readonly string[]).includes(code)
}

/** A value was meant as a color and is none. */
const SLIPS = ['missing-hash', 'hex-digits', 'color-out-of-form', 'unknown-color-name', 'gradient-as-color'] as const
export type SlipCode = (typeof SLIPS)[number]

/** A declaration can never apply: one behind it in its rule always wins, or no rule is around it. */
const IDLE = ['overridden-in-rule', 'outside-rules'] as const

/** There is more of the same file than is told, so that a broken or hostile file has no endless list; `excerpt` says how much. */
const MORE = 'and-more'

/** How many findings there are, those that are only counted among them. */
export function countFindings(findings: readonly Pick<Finding, 'code' | 'excerpt'>[]): number {
  return findings.reduce((sum, { code, excerpt }) => sum + (code === MORE ? Number.parseInt(excerpt, 10) : 1), 0)
}

/** Findings that are told of one file. */
export const MOST_FINDINGS = 1000

/** The closed list of what can be odd about received text. One file of the interface words them. */
export const FINDING_CODES = [...FAULTS, ...SLIPS, ...IDLE, MORE] as const
export type FindingCode = (typeof FINDING_CODES)[number]

/** Something that deserves a look, with its place. */
export interface Finding {
  readonly code: FindingCode
  readonly range: Range
  /** The text at the start of the range, at most 60 UTF-16 units, as evidence. */
  readonly excerpt: string
  /** What was likely meant; null where nothing was, or nobody can tell. */
  readonly meaning: string | null
}
