import { z } from 'zod'
import { findingSchema, keywordSchema, occurrenceSchema } from './audit.ts'
import { encodingSchema, skipReasonSchema, syntaxSchema } from './site.ts'

const span = {
  file: z.string().describe('Path from the root'),
  start: z.int().min(0).describe('In UTF-16 units of the decoded text'),
  end: z.int().min(0).describe('Exclusive'),
}

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
      }),
    ),
    occurrences: z.array(occurrenceSchema.omit({ range: true }).extend(span)),
    keywords: z.array(keywordSchema.omit({ range: true }).extend(span)),
    findings: z.array(findingSchema.omit({ range: true }).extend(span)),
  })
  .describe('Every hard-coded color of a folder')
export type AuditDocument = z.infer<typeof auditDocumentSchema>
