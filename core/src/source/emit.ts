import { opaqueKey } from '../color/color.ts'
import type { Finding } from '../text/finding.ts'
import { lineStarts, positionAt } from '../text/lines.ts'
import type { SourceText } from '../text/source-text.ts'
import { computingFunction } from './functions.ts'
import type {
  ChannelTriple,
  Computed,
  Context,
  Definition,
  Keyword,
  Occurrence,
  Place,
  PlacedFinding,
  Reading,
  Reference,
} from './occurrence.ts'
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
  /** Three bare numbers that a variable holds. */
  triple(at: Embedded, start: number, end: number, context: Context): void
  definition(at: Embedded, start: number, end: number, defined: Omit<Definition, keyof Place>): void
  reference(at: Embedded, start: number, end: number, taken: Omit<Reference, keyof Place>): void
  finding(code: Finding['code'], start: number, end: number): void
}

const EXCERPT = 60

export function collect(source: SourceText, read: (emitter: Emitter) => void): Reading {
  const starts = lineStarts(source.text)
  const occurrences: Occurrence[] = []
  const keywords: Keyword[] = []
  const computed: Computed[] = []
  const definitions: Definition[] = []
  const references: Reference[] = []
  const triples: ChannelTriple[] = []
  const findings: PlacedFinding[] = []
  const place = (at: Embedded, from: number, to: number): Place => {
    const range = { start: at.toSource(from), end: at.toSource(to) }
    const { line, column } = positionAt(starts, range.start)
    return { range, line, column, raw: source.text.slice(range.start, range.end) }
  }
  read({
    source,
    hit(at, offset, { start, end, found, functions, confidence }, context) {
      const { range, line, column, raw } = place(at, offset + start, offset + end)
      if ('keyword' in found) keywords.push({ ...context, range, line, column, raw, keyword: found.keyword })
      else if ('computedBy' in found)
        computed.push({ ...context, range, line, column, raw, computedBy: found.computedBy })
      // Written out: spreading the context made for half the time of an audit.
      else
        occurrences.push({
          range,
          line,
          column,
          raw,
          property: context.property,
          use: context.use,
          selector: context.selector,
          subjects: context.subjects,
          states: context.states,
          specificity: context.specificity,
          atRules: context.atRules,
          heading: context.heading,
          important: context.important,
          variable: context.variable,
          opacity: context.opacity,
          notation: found.notation,
          color: opaqueKey(found.color),
          alpha: found.alphaIsOpen ? null : found.color.alpha,
          functions,
          computedWith: functions.length === 0 ? null : computingFunction(functions),
          confidence,
          inner: null,
        })
    },
    triple(at, start, end, context) {
      triples.push({ ...context, ...place(at, start, end) })
    },
    definition(at, start, end, { name, selector, atRules }) {
      const { range, line, column, raw } = place(at, start, end)
      definitions.push({ range, line, column, raw, name, selector, atRules })
    },
    reference(at, start, end, { name, property, use, selector, states, variable, channelsOf }) {
      const { range, line, column, raw } = place(at, start, end)
      references.push({ range, line, column, raw, name, property, use, selector, states, variable, channelsOf })
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
  for (const list of [occurrences, keywords, computed, definitions, references, triples, findings])
    list.sort((a, b) => a.range.start - b.range.start)
  return { occurrences, keywords, computed, definitions, references, triples, findings }
}
