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
import { USUAL } from './usual.ts'

const index = z.int().min(0)

const span = {
  start: z.int().min(0).describe('In UTF-16 units of the decoded text'),
  end: z.int().min(0).describe('Exclusive'),
}

/** The members of a shape of which there is something usual, filled in where they are left out. */
function usually<S extends z.ZodRawShape>(shape: S) {
  const filled = Object.entries(shape).map(([name, schema]) => [
    name,
    name in USUAL ? (schema as z.ZodType).default(USUAL[name as keyof typeof USUAL]) : schema,
  ])
  return Object.fromEntries(filled) as {
    [N in keyof S]: N extends keyof typeof USUAL ? (S[N] extends z.ZodType ? z.ZodDefault<S[N]> : S[N]) : S[N]
  }
}

/** What stands once for all that stand in the same rule. */
const IN_RULE = {
  selector: true,
  subjects: true,
  signals: true,
  specificity: true,
  atRules: true,
} as const

/** The same for what more is known of places. */
const OF_PLACE = { ...IN_RULE, heading: true, literalOnly: true, evidence: true } as const

const ruleSchema = z
  .strictObject(
    usually({
      ...occurrenceSchema.pick(OF_PLACE).shape,
      states: z.array(stateSchema).readonly().describe('What its signals are to a visitor; empty at rest'),
    }),
  )
  .describe('Where places stand: a rule, or what is like one')

const rule = index.nullable().describe('Index in the `rules` of its file; null: it stands in none')

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

const placed = <S extends z.ZodRawShape>(own: S) => z.strictObject(usually({ ...own, ...span, rule }))

const occurrenceEntry = placed({
  ...occurrenceSchema.omit({ ...OF_PLACE, range: true, inner: true }).shape,
  inner,
})

const definition = variableSchema.shape.definitions.unwrap().element
const reference = variableSchema.shape.references.unwrap().element

/** Most files hold nothing of most kinds. */
const listed = <S extends z.ZodType>(entry: S) => z.array(entry).default([])

/** What a file holds: a list is left out where it is empty. */
const held = {
  rules: listed(ruleSchema),
  occurrences: listed(occurrenceEntry),
  keywords: listed(placed(keywordSchema.omit({ ...OF_PLACE, range: true }).shape)),
  computed: listed(placed(computedSchema.omit({ ...OF_PLACE, range: true }).shape)),
  definitions: listed(z.strictObject(usually({ ...definition.omit({ range: true, file: true }).shape, ...span }))),
  references: listed(placed(reference.omit({ ...IN_RULE, range: true, file: true }).shape)),
  behaviors: listed(
    z.discriminatedUnion('kind', [
      behaviorSchema.options[0].omit({ range: true }).extend(span),
      behaviorSchema.options[1].omit({ range: true }).extend(span),
    ]),
  ),
  findings: listed(
    z.strictObject(
      usually({
        ...findingSchema.omit({ range: true }).shape,
        ...span,
        remedy: remedySchema.omit({ range: true }).extend(span).nullable(),
      }),
    ),
  ),
}

/** What `undo-ink audit --format json` prints. A member that is left out is as most are; reading it by this schema fills it in. */
export const auditDocumentSchema = z
  .strictObject({
    version: z.literal(3),
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
        ...held,
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
    variables: z
      .array(variableSchema.omit({ definitions: true, references: true }))
      .describe('Those that carry a color: what defines and takes them stands with its file'),
    pages: sitePagesSchema.shape.pages,
    unused: sitePagesSchema.shape.unused,
    leftOut: sitePagesSchema.shape.leftOut,
  })
  .describe('Every hard-coded color of a folder')
export type AuditDocument = z.infer<typeof auditDocumentSchema>
