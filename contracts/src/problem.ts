import * as z from 'zod'

/** Every kind of refusal of the API, with its HTTP status. The `type` of a problem is `/problems/CODE`. */
export const PROBLEMS = {
  'bad-request': 400,
  forbidden: 403,
  'not-found': 404,
  'unknown-host': 421,
  conflict: 409,
  'copy-exists': 409,
  busy: 409,
  'not-read': 409,
  'client-exists': 409,
  'palette-moved-on': 409,
  'too-slow': 408,
  'too-large': 413,
  'too-many-files': 413,
  'unpacks-too-large': 413,
  'not-a-zip': 422,
  'damaged-zip': 422,
  'encrypted-zip': 422,
  'unsafe-path': 422,
  'no-files': 422,
  'same-path-twice': 422,
  'invalid-role': 422,
  'same-role-twice': 422,
  'invalid-event': 422,
  internal: 500,
  'no-database': 503,
  'no-space': 507,
} as const

export type ProblemCode = keyof typeof PROBLEMS

export const problemSchema = z
  .strictObject({
    type: z.string().describe('`/problems/CODE`'),
    title: z.string().describe('What went wrong, in a sentence for the person at the screen'),
    status: z.int().describe('HTTP status'),
    code: z.enum(Object.keys(PROBLEMS) as [ProblemCode, ...ProblemCode[]]).describe('Which kind of refusal'),
    detail: z.string().optional().describe('What to do about it, or the part of the input that is meant'),
  })
  .describe('Problem details as RFC 9457 has them')

export type Problem = z.infer<typeof problemSchema>
