import * as z from 'zod'
import { problemSchema } from './problem.ts'

export const jobSchema = z
  .strictObject({
    id: z.uuid(),
    kind: z.enum(['intake', 'audit']).describe('A copy is taken in and read, or the files of one are read anew'),
    state: z.enum(['waiting', 'running', 'done', 'failed', 'cancelled']),
    filesDone: z.int().min(0),
    filesTotal: z.int().min(0).nullable().describe('null: not known yet'),
    places: z.int().min(0).describe('Hard-coded colors found in the files that are done'),
    pagesDone: z.int().min(0).describe('Pages whose words are known; they are looked for when all files are read'),
    pagesTotal: z.int().min(0).nullable().describe('null: not known yet'),
    problem: problemSchema.nullable().describe('Why it failed'),
  })
  .describe('Long work on a site; it goes on when nobody watches, and when its server is killed')
export type Job = z.infer<typeof jobSchema>

export const filesReadSchema = z
  .array(
    z.strictObject({
      path: z.string(),
      places: z.int().min(0).nullable().describe('null: it is not read'),
    }),
  )
  .describe('Files that a job has done since the last event, in the order in which they were done')
export type FilesRead = z.infer<typeof filesReadSchema>
