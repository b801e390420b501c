import { FIELDS, type Ledger, unpackLedger } from '@undo-ink/core'
import { z } from 'zod'
import { occurrenceSchema } from './audit.ts'

const { range, line, column, ...fields } = occurrenceSchema.shape

/** What the values of each field of a packed ledger are. */
const valueSchemas = { path: z.string(), ...fields }

/** The ledger in an answer of the API, each of its distinct values checked once. Throws where it is none. */
export function readLedger(bytes: Uint8Array): Ledger {
  const ledger = unpackLedger(bytes)
  if (!ledger) throw new Error('The answer holds no ledger')
  for (const field of FIELDS) z.array(valueSchemas[field]).parse(ledger.columns[field].values)
  return ledger
}
