import type {
  Computed,
  FindingCode,
  Inner,
  Keyword,
  Notation,
  Occurrence,
  PlacedFinding,
  State,
  Use,
  Variable,
} from '@undo-ink/core'
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
    'rgb-channels',
    'hsl-channels',
    'hwb-channels',
    'lab-channels',
    'lch-channels',
    'oklab-channels',
    'oklch-channels',
  ])
  .describe('How a color is written; `-channels`: bare channels in a variable')
true satisfies Same<z.infer<typeof notationSchema>, Notation>

const range = z
  .strictObject({ start: z.int().min(0), end: z.int().min(0) })
  .readonly()
  .describe('Half-open, in UTF-16 units of the decoded text')

const place = {
  range,
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
  variable: z.string().nullable().describe('The variable that the value defines, with its sigil'),
  opacity: z.number().min(0).max(1).nullable().describe('The `opacity` that the same rule declares'),
}

export const innerSchema = z
  .discriminatedUnion('encoding', [
    z.strictObject({ encoding: z.literal('percent') }).readonly(),
    z.strictObject({ encoding: z.literal('base64'), range: range.describe('Within the decoded payload') }).readonly(),
  ])
  .describe('How the drawing around a literal is encoded; base64: the range beside it is that of the payload')
true satisfies Same<z.infer<typeof innerSchema>, Inner>

export const occurrenceSchema = z
  .strictObject({
    ...place,
    raw: z.string().describe('Exactly the text of the range'),
    ...context,
    notation: notationSchema,
    color: z.string().describe('`#rrggbb`, or `color(srgb r g b)` outside the sRGB gamut'),
    alpha: z.number().min(0).max(1).nullable().describe('null: a variable'),
    functions: z.array(z.string()).readonly().describe('The functions around it, outermost first'),
    computedWith: z.string().nullable().describe('The function around it that makes another color of it'),
    confidence: z.enum(['certain', 'likely', 'possible']).describe('How sure it is that the text is a color'),
    inner: innerSchema.nullable().describe('Set where it stands in a drawing that is encoded in the file'),
  })
  .describe('One hard-coded color')
true satisfies Same<z.infer<typeof occurrenceSchema>, Occurrence>

export const keywordSchema = z
  .strictObject({ ...place, raw: z.string(), ...context, keyword: z.string().describe('In lower case') })
  .describe('`transparent`, `currentColor` or a system color')
true satisfies Same<z.infer<typeof keywordSchema>, Keyword>

export const computedSchema = z
  .strictObject({ ...place, raw: z.string(), ...context, computedBy: z.string().describe('In lower case') })
  .describe('A color made of variables where it stands')
true satisfies Same<z.infer<typeof computedSchema>, Computed>

const inFile = { ...place, raw: z.string(), file: z.string().describe('Path from the root') }

export const variableSchema = z
  .strictObject({
    name: z.string().describe('With its sigil'),
    definitions: z
      .array(
        z.strictObject({
          ...inFile,
          name: z.string(),
          selector: z.string().nullable(),
          atRules: z.array(z.string()).readonly(),
        }),
      )
      .readonly(),
    references: z
      .array(
        z.strictObject({
          ...inFile,
          name: z.string(),
          property: z.string(),
          use: useSchema,
          selector: z.string().nullable(),
          states: z.array(stateSchema).readonly(),
          variable: z.string().nullable().describe('The variable that the value defines: a link of a chain'),
          channelsOf: z
            .enum(['rgb', 'hsl', 'hwb', 'lab', 'lch', 'oklab', 'oklch'])
            .nullable()
            .describe('The color function whose channels the variable is'),
        }),
      )
      .readonly(),
    uses: z.int().min(0).describe('Places that take its value in the end, through other variables too'),
  })
  .describe('A variable that carries a color')
true satisfies Same<z.infer<typeof variableSchema>, Variable>

export const findingCodeSchema = z
  .enum([
    'unclosed-comment',
    'unclosed-string',
    'unclosed-block',
    'unexpected-close',
    'unreadable-css',
    'drawing-not-reversible',
    'missing-hash',
    'hex-digits',
    'color-out-of-form',
    'unknown-color-name',
    'gradient-as-color',
    'overridden-in-rule',
    'outside-rules',
  ])
  .describe('What is odd')
true satisfies Same<z.infer<typeof findingCodeSchema>, FindingCode>

export const findingSchema = z
  .strictObject({
    ...place,
    code: findingCodeSchema,
    excerpt: z.string().describe('The text at the place'),
    meaning: z.string().nullable().describe('What was likely meant'),
  })
  .describe('Something odd in a received text')
true satisfies Same<z.infer<typeof findingSchema>, PlacedFinding>

export const readingSchema = z
  .strictObject({
    path: z.string(),
    occurrences: z.array(occurrenceSchema),
    keywords: z.array(keywordSchema),
    computed: z.array(computedSchema),
    findings: z.array(findingSchema),
  })
  .describe('What one file holds')

export const auditSchema = z
  .strictObject({
    readings: z.array(readingSchema).describe('By path; files that hold nothing are left out'),
    variables: z.array(variableSchema).describe('By name'),
  })
  .describe('Every hard-coded color of a snapshot')
export type Audit = z.infer<typeof auditSchema>

export const fileTextSchema = z
  .strictObject({ path: z.string(), text: z.string().describe('Decoded, without its mark') })
  .describe('The text of one file as it was received')
export type FileText = z.infer<typeof fileTextSchema>
