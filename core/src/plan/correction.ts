import type { Remedy } from '../source/occurrence.ts'

/** A finding whose remedy was accepted: the slip is put right, and takes what is decided of the color that was meant. */
export interface Correction extends Remedy {
  /** Unique within the plan, decisions counted. */
  readonly id: string
  /** Of the file. */
  readonly path: string
}

/** Properties that a remedy may name. */
export const REMEDY_PROPERTIES: ReadonlySet<string> = new Set(['background-image'])

/** Whether two are of the same text, in part or in whole. */
export function overlap(a: Pick<Correction, 'path' | 'range'>, b: Pick<Correction, 'path' | 'range'>): boolean {
  return a.path === b.path && a.range.start < b.range.end && b.range.start < a.range.end
}
