import * as z from 'zod'
import {
  behaviorSchema,
  computedSchema,
  findingSchema,
  keywordSchema,
  occurrenceSchema,
  remedySchema,
  sitePagesSchema,
  stateSchema,
  variableSchema,
} from './audit.ts'
import { encodingSchema, skipReasonSchema, syntaxSchema, thirdPartySchema } from './site.ts'

const span = {
  file: z.string().describe('Path from the root'),
  start: z.int().min(0).describe('In UTF-16 units of the decoded text'),
  end: z.int().min(0).describe('Exclusive'),
}

const subject = {
  subject: z.string().nullable().describe('The subjects of the selector list, with commas between; null outside rules'),
  states: z.array(stateSchema).readonly().describe('The states that its signals stand for; empty at rest'),
}

const inner = z
  .discriminatedUnion('encoding', [
    z.strictObject({ encoding: z.literal('plain-scalar') }),
    z.strictObject({ encoding: z.literal('percent') }),
    z.strictObject({ encoding: z.literal('base64'), start: z.int().min(0), end: z.int().min(0) }),
  ])
  .optional()
  .describe(
    'Set where its text is not plain: in an encoded drawing, in YAML without quotes; base64: start and end within the decoded payload',
  )

const definitions = z.array(variableSchema.shape.definitions.unwrap().element.omit({ range: true }).extend(span))
const references = z.array(variableSchema.shape.references.unwrap().element.omit({ range: true }).extend(span))

/** What `undo-ink audit --format json` prints. */
export const auditDocumentSchema = z
  .strictObject({
    version: z.literal(1),
    root: z.string().describe('The folder as it was given'),
    files: z.array(
      z.strictObject({
        path: z.string(),
        syntax: syntaxSchema,
        encoding: encodingSchema.nullable(),
        bytes: z.int(),
        skipped: skipReasonSchema.optional(),
        thirdParty: thirdPartySchema.optional(),
        generatedFrom: z.string().optional().describe('Path of the sheet that it was made from'),
      }),
    ),
    unopened: z
      .array(
        z.strictObject({
          path: z.string(),
          why: z.enum(['link', 'no-file', 'no-utf8', 'sparse', 'no-permission', 'unreadable']),
        }),
      )
      .describe('What the folder holds besides, and why it was not opened: it is in no copy'),
    occurrences: z.array(occurrenceSchema.omit({ range: true, inner: true }).extend({ ...span, ...subject, inner })),
    keywords: z.array(keywordSchema.omit({ range: true }).extend({ ...span, ...subject })),
    computed: z.array(computedSchema.omit({ range: true }).extend({ ...span, ...subject })),
    variables: z.array(
      variableSchema.omit({ definitions: true, references: true }).extend({ definitions, references }),
    ),
    behaviors: z.array(
      z.discriminatedUnion('kind', [
        behaviorSchema.options[0].omit({ range: true }).extend(span),
        behaviorSchema.options[1].omit({ range: true }).extend(span),
      ]),
    ),
    pages: sitePagesSchema.shape.pages,
    unused: sitePagesSchema.shape.unused,
    leftOut: sitePagesSchema.shape.leftOut,
    findings: z.array(
      findingSchema
        .omit({ range: true })
        .extend({ ...span, remedy: remedySchema.omit({ range: true }).extend(span).omit({ file: true }).nullable() }),
    ),
  })
  .describe('Every hard-coded color of a folder')
export type AuditDocument = z.infer<typeof auditDocumentSchema>
