import * as z from 'zod'
import { useSchema } from './audit.ts'
import {
  alphasSchema,
  confirmedPlaceSchema,
  correctionSchema,
  groundSchema,
  insertionSchema,
  scopeSchema,
} from './plan.ts'
import { fileChoiceSchema } from './site.ts'

const roleColorSchema = z.strictObject({
  role: z.string().min(1).describe('Name of the role'),
  color: z.string().min(1).describe('Any CSS notation, opaque'),
})

/** What `undo-ink check --palette` reads. */
export const paletteDocumentSchema = z
  .strictObject({ version: z.literal(1), palette: z.array(roleColorSchema) })
  .describe('The colors of a brand')

/** What `undo-ink rewrite --plan` reads. */
export const planDocumentSchema = z
  .strictObject({
    version: z.literal(1),
    site: z.string().max(200).optional().describe('Of which site it was made'),
    copy: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .optional()
      .describe('Digest of the files that it was made of: SHA-256 over paths and bytes, in hex'),
    files: z
      .record(z.string(), fileChoiceSchema)
      .optional()
      .describe('By path: third-party code that is read all the same, files that are set aside'),
    confirmed: z
      .array(confirmedPlaceSchema)
      .optional()
      .describe('Places that are only possibly colors and were confirmed; all others of that kind stay as they are'),
    corrections: z
      .array(correctionSchema.omit({ id: true }))
      .optional()
      .describe('Slips that were put right, of the very files that it was made of'),
    palette: z.array(roleColorSchema),
    tolerance: z.number().min(0).max(8).optional().describe('ΔE00 of the clusters that were decided'),
    groups: z.array(z.array(z.string()).min(1)).optional().describe('Clusters made by hand, as colors'),
    leads: z.array(z.string()).optional().describe('Colors that were chosen to stand for their clusters'),
    decisions: z
      .array(
        z.strictObject({
          target: z.strictObject({
            colors: z.array(z.string()).min(1).describe('Any CSS notation; their alpha is left out'),
            alphas: alphasSchema.optional(),
            use: useSchema.optional(),
            scope: scopeSchema.optional(),
          }),
          to: z.union([
            z.strictObject({ role: z.string() }),
            z.strictObject({ color: z.string() }),
            z.strictObject({ follow: z.string().describe('Another color of the folder; any CSS notation') }),
            z.strictObject({
              gradient: z.array(groundSchema).min(2).max(5).describe('Roles by their names, or colors'),
              angle: z.number().min(0).max(360).describe('Degrees, as CSS counts them'),
            }),
            z.strictObject({ inherit: z.literal(true) }).describe("The color of the element's parent"),
            z.strictObject({ keep: z.literal(true) }),
          ]),
          alpha: z.number().min(0).max(1).optional().describe('How see-through its places are written'),
          solid: z.literal(true).optional().describe('Gradients become this color as a whole'),
          over: groundSchema
            .optional()
            .describe('As a role by its name or a color: places are written as they show on it'),
        }),
      )
      .describe('In the order in which they were made'),
    insertions: z
      .array(insertionSchema.omit({ id: true }))
      .optional()
      .describe('Rules that are added where none sets a color; a role by its name'),
    write: z.literal('in-place').describe('How the new colors are written'),
  })
  .describe('What becomes of the colors of a folder')
export type PlanDocument = z.infer<typeof planDocumentSchema>

/** What `undo-ink check --format json` prints. */
export const checkDocumentSchema = z
  .strictObject({
    version: z.literal(1),
    root: z.string().describe('The folder as it was given'),
    places: z.array(
      z.strictObject({
        file: z.string(),
        line: z.int().min(1),
        column: z.int().min(1).describe('In UTF-16 units'),
        raw: z.string(),
        color: z.string().describe('The opaque key of the color'),
        property: z.string(),
        selector: z.string().nullable(),
        nearest: z
          .strictObject({ role: z.string(), distance: z.number().describe('ΔE00') })
          .nullable()
          .describe('null: the palette is empty'),
      }),
    ),
  })
  .describe('Every color that is not of the palette')
export type CheckDocument = z.infer<typeof checkDocumentSchema>
