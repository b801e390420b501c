import { csvOf, type Occurrence, type State, statesOf } from '@undo-ink/core'
import type * as z from 'zod'
import type { auditDocumentSchema } from './audit-document.ts'

/** One place as the documents have it. */
export type PlaceEntry = z.infer<typeof auditDocumentSchema>['occurrences'][number]

/** A place of a file as it is written into a document. */
export function placeEntry(file: string, { range, inner, ...place }: Occurrence): PlaceEntry {
  return {
    ...place,
    ...painted(place),
    file,
    start: range.start,
    end: range.end,
    ...(inner ? { inner: inner.encoding === 'base64' ? { encoding: inner.encoding, ...inner.range } : inner } : {}),
  }
}

/** What a place paints, as a document says it beside what the selectors say. */
export function painted({ subjects, signals }: Pick<Occurrence, 'subjects' | 'signals'>): {
  readonly subject: string | null
  readonly states: readonly State[]
} {
  return { subject: subjects.length > 0 ? subjects.join(', ') : null, states: statesOf(signals) }
}

const COLUMNS = [
  'file',
  'line',
  'column',
  'start',
  'end',
  'raw',
  'notation',
  'color',
  'alpha',
  'use',
  'property',
  'selector',
  'subject',
  'states',
  'atRules',
  'heading',
  'important',
  'opacity',
  'variable',
  'computedWith',
  'confidence',
  'evidence',
  'literalOnly',
] as const satisfies readonly (keyof PlaceEntry)[]

/** Places as a table (RFC 4180), a row each; what a spreadsheet would take for a formula is escaped. */
export function placesCsv(places: readonly PlaceEntry[]): string {
  const rows = places.map((place) =>
    COLUMNS.map((column) => {
      const value = place[column]
      return Array.isArray(value) ? value.join(' ') : value
    }),
  )
  return csvOf(COLUMNS, rows)
}
