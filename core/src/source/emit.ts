import { opaqueKey } from '../color/color.ts'
import type { Finding } from '../text/finding.ts'
import { lineStarts, positionAt } from '../text/lines.ts'
import type { SourceText } from '../text/source-text.ts'
import type { Context, Keyword, Occurrence, Place, PlacedFinding, Reading } from './occurrence.ts'
import type { ValueHit } from './value.ts'

/** A stretch of a file that is read as a text of its own: an embedded sheet, an attribute's value with its references decoded. */
export interface Embedded {
  readonly text: string
  /** Offset in the file's text of an offset in this text. */
  toSource(offset: number): number
}

/** Takes what readers find in one file and places it. */
export interface Emitter {
  readonly source: SourceText
  hit(at: Embedded, offset: number, hit: ValueHit, context: Context): void
  finding(code: Finding['code'], start: number, end: number): void
}

const EXCERPT = 60

export function collect(source: SourceText, read: (emitter: Emitter) => void): Reading {
  const starts = lineStarts(source.text)
  const occurrences: Occurrence[] = []
  const keywords: Keyword[] = []
  const findings: PlacedFinding[] = []
  const place = (start: number, end: number): Place => ({
    range: { start, end },
    ...positionAt(starts, start),
    raw: source.text.slice(start, end),
  })
  read({
    source,
    hit(at, offset, { start, end, found, functions }, context) {
      const where = place(at.toSource(offset + start), at.toSource(offset + end))
      if ('keyword' in found) keywords.push({ ...where, ...context, keyword: found.keyword })
      else {
        const { notation, color } = found
        occurrences.push({ ...where, ...context, notation, color: opaqueKey(color), alpha: color.alpha, functions })
      }
    },
    finding(code, start, end) {
      findings.push({
        code,
        range: { start, end },
        ...positionAt(starts, start),
        excerpt: source.text.slice(start, start + EXCERPT),
      })
    },
  })
  const order = (a: Place, b: Place) => a.range.start - b.range.start
  return { occurrences: occurrences.toSorted(order), keywords: keywords.toSorted(order), findings }
}
