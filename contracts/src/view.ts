import * as z from 'zod'

export const newViewSchema = z
  .strictObject({
    name: z.string().trim().min(1, 'Give the view a name').max(80, 'At most 80 characters'),
    query: z.string().max(20_000).describe('What the address of the ledger says behind its question mark'),
  })
  .describe('A view of the ledger to be kept')
export type NewView = z.infer<typeof newViewSchema>

export const viewSchema = newViewSchema
  .extend({ id: z.uuid() })
  .describe('A view of the ledger that is kept for its site')
export type View = z.infer<typeof viewSchema>
