import type { FindingCode, Keyword, Notation, Occurrence, PlacedFinding, State, Use } from '@undo-ink/core'
import { z } from 'zod'
import type { Same } from './mirror.ts'

export const useSchema = z
  .enum(['text', 'ground', 'line', 'fill', 'stroke', 'shadow', 'variable', 'other'])
  .describe('What an occurrence paints')
true satisfies Same<z.infer<typeof useSchema>, Use>

export const stateSchema = z
  .enum(['checked', 'current', 'disabled', 'focus', 'hover', 'open', 'pressed', 'stuck', 'target', 'visited'])
  .describe('A state that a selector asks for')
true satisfies Same<z.infer<typeof stateSchema>, State>

export const notationSchema = z
  .enum([
    'hex3',
    'hex4',
    'hex6',
    'hex8',
    'argb',
    'name',
    'rgb',
    'rgba',
    'hsl',
    'hsla',
    'hwb',
    'lab',
    'lch',
    'oklab',
    'oklch',
    'color',
  ])
  .describe('How a color is written')
true satisfies Same<z.infer<typeof notationSchema>, Notation>

const place = {
  range: z
    .strictObject({ start: z.int().min(0), end: z.int().min(0) })
    .readonly()
    .describe('Half-open, in UTF-16 units of the decoded text'),
  line: z.int().min(1).describe('From 1'),
  column: z.int().min(1).describe('From 1, in UTF-16 units'),
}

const context = {
  property: z.string(),
  use: useSchema,
  selector: z.string().nullable().describe('The selector list, nesting resolved; null outside rules'),
  subjects: z.array(z.string()).readonly().describe('Subject of each selector of the list'),
  states: z.array(stateSchema).readonly().describe('Empty at rest'),
  specificity: z
    .tuple([z.int(), z.int(), z.int()])
    .readonly()
    .nullable()
    .describe('The strongest of the list: ids, classes, types'),
  atRules: z.array(z.string()).readonly().describe('From the outermost in'),
  heading: z.string().nullable().describe('The comment under which the rule stands'),
  important: z.boolean(),
  variable: z.string().nullable().describe('The custom property that the value defines'),
}

export const occurrenceSchema = z
  .strictObject({
    ...place,
    raw: z.string().describe('Exactly the text of the range'),
    ...context,
    notation: notationSchema,
    color: z.string().describe('`#rrggbb`, or `color(srgb r g b)` outside the sRGB gamut'),
    alpha: z.number().min(0).max(1),
    functions: z.array(z.string()).readonly().describe('The functions around it, outermost first'),
  })
  .describe('One hard-coded color')
true satisfies Same<z.infer<typeof occurrenceSchema>, Occurrence>

export const keywordSchema = z
  .strictObject({ ...place, raw: z.string(), ...context, keyword: z.string().describe('In lower case') })
  .describe('`transparent`, `currentColor` or a system color')
true satisfies Same<z.infer<typeof keywordSchema>, Keyword>

export const findingCodeSchema = z
  .enum(['unclosed-comment', 'unclosed-string', 'unclosed-block', 'unexpected-close', 'unreadable-css'])
  .describe('What is odd')
true satisfies Same<z.infer<typeof findingCodeSchema>, FindingCode>

export const findingSchema = z
  .strictObject({ ...place, code: findingCodeSchema, excerpt: z.string().describe('The text at the place') })
  .describe('Something odd in a received text')
true satisfies Same<z.infer<typeof findingSchema>, PlacedFinding>

export const readingSchema = z
  .strictObject({
    path: z.string(),
    occurrences: z.array(occurrenceSchema),
    keywords: z.array(keywordSchema),
    findings: z.array(findingSchema),
  })
  .describe('What one file holds')

export const auditSchema = z
  .strictObject({ readings: z.array(readingSchema).describe('By path; files that hold nothing are left out') })
  .describe('Every hard-coded color of a snapshot')
export type Audit = z.infer<typeof auditSchema>

export const fileTextSchema = z
  .strictObject({ path: z.string(), text: z.string().describe('Decoded, without its mark') })
  .describe('The text of one file as it was received')
export type FileText = z.infer<typeof fileTextSchema>
