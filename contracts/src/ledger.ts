import { FIELDS, type Ledger, unpackLedger, type Words } from '@undo-ink/core'
import * as z from 'zod'
import { occurrenceSchema } from './audit.ts'
import type { Same } from './mirror.ts'

const { range, line, column, subjects, signals, atRules, functions, ...fields } = occurrenceSchema.shape

/** What the values of each field of a packed ledger are; that its lists are of texts is checked as it is unpacked. */
const valueSchemas = { path: z.string(), ...fields }

/** The ledger in an answer of the API, each of its distinct values checked once. Throws where it is none. */
export function readLedger(bytes: Uint8Array): Ledger {
  const ledger = unpackLedger(bytes)
  if (!ledger) throw new Error('The answer holds no ledger')
  for (const field of FIELDS) z.array(valueSchemas[field]).parse(ledger.columns[field].values)
  return ledger
}

const indices = z.array(z.array(z.int().min(0)).readonly()).readonly()

export const wordsSchema = z
  .strictObject({
    texts: z.array(z.string()).readonly(),
    sets: indices.describe('Runs of places, as the ledger counts them, that paint the same elements'),
    painted: indices.describe('Of each text: the sets that paint it'),
    partly: z.array(z.string()).readonly().describe('Pages of which not everything was looked for'),
  })
  .describe('What the pages of a copy show')
true satisfies Same<z.infer<typeof wordsSchema>, Words>
