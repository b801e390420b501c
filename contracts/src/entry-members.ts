import type { Computed, Definition, Keyword, Occurrence, OF_RULE, PlacedFinding, Reference } from '@undo-ink/core'
import { membersOf } from './json-bytes.ts'

/** What is told of all kinds of entries otherwise: by their rule, or before all else. */
type Told = (typeof OF_RULE)[number] | 'range'

/** The members of each kind of entry in a document of an audit: what a kind gains is missed here by the compiler. */
export const PLACE = membersOf<Omit<Occurrence, Told | 'inner'>>({
  ...{ raw: true, line: true, column: true, notation: true, color: true, alpha: true },
  ...{ property: true, use: true, important: true, opacity: true, variable: true },
  ...{ functions: true, computedWith: true, confidence: true, isWhole: true },
})

export const KEYWORD = membersOf<Omit<Keyword, Told>>({
  ...{ raw: true, line: true, column: true, keyword: true, source: true },
  ...{ property: true, use: true, important: true, opacity: true, variable: true },
})

export const COMPUTED = membersOf<Omit<Computed, Told>>({
  ...{ raw: true, line: true, column: true, computedBy: true },
  ...{ property: true, use: true, important: true, opacity: true, variable: true },
})

export const DEFINITION = membersOf<Omit<Definition, 'range'>>({
  ...{ raw: true, line: true, column: true, name: true, selector: true, atRules: true },
})

export const REFERENCE = membersOf<Omit<Reference, Told>>({
  ...{ raw: true, line: true, column: true, name: true, taken: true, channelsOf: true },
  ...{ property: true, use: true, important: true, variable: true },
})

export const FINDING = membersOf<Omit<PlacedFinding, 'range' | 'remedy'>>({
  ...{ line: true, column: true, code: true, excerpt: true, meaning: true },
})

/** Of a rule, or what is like one; what is known of it. */
export const RULE = membersOf<Pick<Occurrence, (typeof OF_RULE)[number]>>({
  ...{ selector: true, subjects: true, signals: true, specificity: true },
  ...{ atRules: true, heading: true, literalOnly: true, evidence: true },
})
