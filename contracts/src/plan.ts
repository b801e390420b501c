import {
  type Confirmation,
  type ConfirmedPlace,
  type Correction,
  type Decision,
  type Ground,
  INSERTED_PROPERTIES,
  type Insertion,
  isInsertedSelector,
  isRegion,
  isWidth,
  type PlanEvent,
  type PlanStart,
  type Role,
  type Scope,
  takesRules,
} from '@undo-ink/core'
import * as z from 'zod'
import { remedySchema, stateSchema, useSchema } from './audit.ts'
import type { Same } from './mirror.ts'

export const roleSchema = z
  .strictObject({
    id: z.string().min(1).max(64).describe('Stays the same when the role is renamed'),
    name: z.string().trim().min(1, 'Give the role a name').max(60, 'At most 60 characters'),
    color: z
      .string()
      .min(1, 'Give the role a color')
      .max(200, 'At most 200 characters')
      .describe('Any CSS notation, opaque'),
    dark: z
      .string()
      .min(1)
      .max(200)
      .optional()
      .describe('In a dark scheme; left out: the same, or as its base has one'),
    print: z.string().min(1).max(200).optional().describe('In print; left out: the same, or as its base has one'),
    description: z.string().trim().min(1).max(300).optional().describe('For whoever comes after'),
    serves: z.enum(['text', 'ground', 'line']).optional().describe('What it is for; left out: what its name says'),
    on: z
      .array(z.string().min(1).max(64))
      .max(200)
      .readonly()
      .optional()
      .describe('Ids of the grounds that it stands on; left out: every one'),
    made: z
      .strictObject({
        from: z.string().min(1).max(64).describe('Id of the role that it is made from'),
        lighter: z.number().min(-1).max(1).describe('Added to its lightness in OKLCH'),
        stronger: z.number().min(0).max(2).describe('Times its chroma'),
        turned: z.number().min(-180).max(180).describe('Added to its hue, in degrees'),
      })
      .readonly()
      .optional()
      .describe('Left out: a color of its own'),
  })
  .describe('A color of the brand by the job that it does')
true satisfies Same<z.infer<typeof roleSchema>, Role>

export const paletteSchema = z
  .strictObject({
    id: z.uuid(),
    client: z.string().describe('Whose it is'),
    versions: z
      .array(z.strictObject({ version: z.int().min(1), createdAt: z.iso.datetime(), roles: z.array(roleSchema) }))
      .describe('By version'),
    sites: z
      .array(
        z.strictObject({
          id: z.uuid(),
          name: z.string(),
          version: z.int().min(1).nullable().describe('That its plan is on; null: no copy yet'),
        }),
      )
      .describe('The sites that it serves, oldest first'),
  })
  .describe("A client's palette with all its versions")
export type Palette = z.infer<typeof paletteSchema>

export const scopeSchema = z
  .strictObject({
    file: z.string().min(1).max(1000).optional().describe('Path of the file'),
    heading: z.string().max(1000).optional().describe('As the audit gives it'),
    selector: z
      .string()
      .max(10_000)
      .optional()
      .describe('A selector list as the audit gives it, or one selector of it'),
    state: z
      .union([stateSchema, z.literal('rest')])
      .optional()
      .describe('A state that the selector asks for, or none'),
    region: z
      .string()
      .max(300)
      .refine(isRegion, 'One compound selector of types, classes, ids or attributes')
      .optional()
      .describe('A compound selector: elements that it finds, and all within them'),
    page: z.string().min(1).max(1000).optional().describe('Path of a page'),
    width: z
      .string()
      .max(60)
      .refine(isWidth, 'A media feature of width, such as (max-width: 600px)')
      .optional()
      .describe('A media feature: `(max-width: 600px)`'),
    absent: z
      .array(z.string().max(1000))
      .min(1)
      .max(1000)
      .readonly()
      .optional()
      .describe('Selectors for which no rule of their own is written: no page has what they find there'),
  })
  .readonly()
  .describe('Limits a decision to the places that agree in every dimension that is given')
true satisfies Same<z.infer<typeof scopeSchema>, Scope>

export const alphasSchema = z.array(z.number().min(0).max(1)).min(1).max(256).readonly().describe('0 to 1')

export const groundSchema = z
  .union([
    z.strictObject({ role: z.string().describe('Id of a role') }).readonly(),
    z.strictObject({ color: z.string().min(1).max(200).describe('Any CSS notation, opaque') }).readonly(),
  ])
  .describe('A role or a color')
true satisfies Same<z.infer<typeof groundSchema>, Ground>

export const decisionSchema = z
  .strictObject({
    id: z.uuid(),
    target: z
      .strictObject({
        colors: z.array(z.string().min(1).max(100)).min(1).max(10_000).readonly().describe('Opaque keys'),
        alphas: alphasSchema.optional(),
        use: useSchema.optional(),
        scope: scopeSchema.optional(),
      })
      .readonly()
      .describe('The colors by value, in all their alphas but where some are named'),
    to: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('role'), role: z.string().describe('Id of a role') }).readonly(),
      z
        .strictObject({
          kind: z.literal('color'),
          color: z.string().min(1).max(200).describe('Any CSS notation, opaque'),
        })
        .readonly(),
      z
        .strictObject({ kind: z.literal('follow'), lead: z.string().min(1).max(100).describe('Opaque key') })
        .readonly()
        .describe('Keeps its place relative to another color'),
      z
        .strictObject({
          kind: z.literal('gradient'),
          stops: z.array(groundSchema).min(2).max(5).readonly(),
          angle: z.number().min(0).max(360).describe('Degrees, as CSS counts them'),
        })
        .readonly()
        .describe('A solid ground becomes a gradient'),
      z
        .strictObject({ kind: z.literal('inherit') })
        .readonly()
        .describe("Takes the color of the element's parent"),
      z.strictObject({ kind: z.literal('keep') }).readonly(),
    ]),
    alpha: z.number().min(0).max(1).optional().describe('How see-through its places are written; left out: as each is'),
    over: groundSchema.optional(),
    solid: z.literal(true).optional().describe('Gradients in which its colors stand become this color as a whole'),
  })
  .describe('What becomes of a target')
true satisfies Same<z.infer<typeof decisionSchema>, Decision>

export const correctionSchema = remedySchema
  .extend({
    id: z.uuid(),
    path: z.string().min(1).max(1000).describe('Of the file'),
    raw: z.string().max(1000).describe('Exactly the text of the range'),
    replacement: z.string().min(1).max(200).describe('A color, or the name of a property'),
  })
  .describe('A finding whose remedy was accepted')
true satisfies Same<z.infer<typeof correctionSchema>, Correction>

export const insertionSchema = z
  .strictObject({
    id: z.uuid(),
    path: z.string().min(1).max(1000).refine(takesRules, 'A sheet of CSS, SCSS or Less').describe('Of the sheet'),
    selector: z
      .string()
      .max(1000)
      .refine(isInsertedSelector, 'A list of selectors, without pseudo-elements')
      .describe('A list of selectors'),
    property: z.enum(INSERTED_PROPERTIES).describe('Its whole value is one color'),
    to: groundSchema,
  })
  .describe('A color where no rule of the site sets one: a rule that is added at the end of a sheet')
true satisfies Same<z.infer<typeof insertionSchema>, Insertion>

export const confirmedPlaceSchema = z
  .strictObject({
    path: z.string().min(1).max(1000).describe('Of the file'),
    start: z.int().min(0).describe('Where the literal begins, in UTF-16 units of the decoded text'),
  })
  .readonly()
  .describe('A place that is only possibly a color')
true satisfies Same<z.infer<typeof confirmedPlaceSchema>, ConfirmedPlace>

export const confirmationSchema = z
  .strictObject({ id: z.uuid(), places: z.array(confirmedPlaceSchema).min(1).max(10_000).readonly() })
  .describe('Places that are only possibly colors, confirmed to be')
true satisfies Same<z.infer<typeof confirmationSchema>, Confirmation>

const handColorsSchema = z.array(z.string().min(1).max(100)).min(1).max(10_000).readonly().describe('Opaque keys')

export const planEventSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('decide'),
      decisions: z.array(decisionSchema.readonly()).min(1).max(5000).readonly(),
      replaces: z
        .array(z.uuid())
        .max(5000)
        .readonly()
        .optional()
        .describe('Ids of decisions of the same targets that hold no more'),
    }),
    z.strictObject({
      kind: z.literal('correct'),
      corrections: z.array(correctionSchema.readonly()).min(1).max(5000).readonly(),
    }),
    z.strictObject({
      kind: z.literal('insert'),
      insertions: z.array(insertionSchema.readonly()).min(1).max(500).readonly(),
    }),
    z.strictObject({
      kind: z.literal('confirm'),
      confirmations: z.array(confirmationSchema.readonly()).min(1).max(100).readonly(),
    }),
    z.strictObject({
      kind: z.literal('take-back'),
      decisions: z
        .array(z.uuid())
        .min(1)
        .max(5000)
        .readonly()
        .describe('Ids of decisions, corrections, insertions and confirmations'),
    }),
    z.strictObject({ kind: z.literal('tolerance'), value: z.number().min(0).max(8).describe('ΔE00') }),
    z.strictObject({ kind: z.literal('palette'), version: z.int().min(1) }),
    z.strictObject({ kind: z.literal('group'), colors: handColorsSchema }).describe('One cluster at every tolerance'),
    z.strictObject({ kind: z.literal('ungroup'), colors: handColorsSchema }).describe('Clustered by tolerance again'),
    z.strictObject({ kind: z.literal('lead'), color: z.string().min(1).max(100) }).describe('Stands for its cluster'),
    z
      .strictObject({ kind: z.literal('return'), to: z.int().min(0).describe('Number of events') })
      .describe('Everything is as it was after that many events'),
    z
      .strictObject({
        kind: z.literal('point'),
        name: z.string().trim().min(1, 'Give the point a name').max(80, 'At most 80 characters'),
      })
      .describe('A name for the moment, which changes nothing'),
    z.strictObject({ kind: z.literal('undo') }),
    z.strictObject({ kind: z.literal('redo') }),
  ])
  .describe('One entry of the append-only history')
true satisfies Same<z.infer<typeof planEventSchema>, PlanEvent>

export const recordedEventSchema = z
  .strictObject({
    seq: z.int().min(1).describe('From 1, without gaps'),
    id: z.uuid().describe('Given by who sent it: the same event sent again is not recorded twice'),
    at: z.iso.datetime(),
    event: planEventSchema,
  })
  .describe('An event as recorded')
export type RecordedEvent = z.infer<typeof recordedEventSchema>

export const planSchema = z
  .strictObject({
    id: z.uuid(),
    paletteId: z.uuid(),
    start: z.strictObject({ tolerance: z.number(), paletteVersion: z.int() }).describe('Where the history begins'),
    version: z.int().min(0).describe('Number of recorded events'),
    events: z.array(recordedEventSchema),
  })
  .describe('All decisions for one snapshot, with their whole history')
export type Plan = z.infer<typeof planSchema>
true satisfies Same<Plan['start'], PlanStart>

export const planTailSchema = planSchema
  .pick({ id: true, version: true, events: true })
  .describe('What came to a plan behind the version that was asked with: `events` begins there')
export type PlanTail = z.infer<typeof planTailSchema>

export const tailQuerySchema = z
  .strictObject({ after: z.coerce.number().int().min(0) })
  .describe('Events up to this version are known')

export const newEventSchema = z
  .strictObject({
    id: z.uuid(),
    version: z.int().min(0).describe('The version it was made on; refused when the plan moved on'),
    event: planEventSchema,
  })
  .describe('An event to record')
export type NewEvent = z.infer<typeof newEventSchema>

export const newPaletteSchema = z
  .strictObject({ id: z.uuid(), version: z.int().min(0), roles: z.array(roleSchema).max(200) })
  .describe('A new version of the palette, and the event that moves the plan to it')
export type NewPalette = z.infer<typeof newPaletteSchema>

export const visitSchema = z
  .strictObject({
    before: z.url().describe('Origin of the copy as received'),
    after: z.url().describe('Origin of the copy as the plan has it now'),
  })
  .describe('Where the pages of a site can be looked at')
export type Visit = z.infer<typeof visitSchema>
