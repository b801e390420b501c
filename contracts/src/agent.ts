import * as z from 'zod'

/** UTF-16 units of an address on a visitor's origin: the longest path, each of its units encoded in up to nine. */
export const MOST_ADDRESS = 5000

const addedRuleSchema = z.strictObject({
  selector: z.string().max(1000),
  property: z.string().max(100),
  color: z.string().max(100),
})
/** A rule that was added, with the opaque key of its color. */
export type AddedRule = z.infer<typeof addedRuleSchema>

/** What the agent on a visited page says to the application. */
export const agentSaysSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('at'),
      version: z.int().min(0).nullable().describe('Of the plan that the page was written by; null: it is as received'),
      path: z.string().max(MOST_ADDRESS),
      title: z.string().max(500),
      covered: z.boolean().describe('Whether something lies over the whole window, or the page hides itself'),
    }),
    z.strictObject({ kind: z.literal('scrolled'), x: z.number(), y: z.number() }),
    z.strictObject({
      kind: z.literal('colors'),
      x: z.number(),
      y: z.number(),
      found: z
        .array(
          z.strictObject({
            what: z.enum(['image', 'fill', 'stroke', 'text', 'ground', 'line']),
            color: z.string().max(100).describe('As computed'),
          }),
        )
        .max(12)
        .describe('The uppermost first'),
    }),
    z.strictObject({
      kind: z.literal('surveyed'),
      path: z.string().max(MOST_ADDRESS),
      elements: z.int().min(0).describe('That were looked at'),
      isWhole: z.boolean().describe('Whether that was all of them'),
      showing: z.int().min(0).describe('Of them, that show one of the colors'),
      found: z
        .array(
          z.strictObject({
            color: z.string().max(100).describe('An opaque key that was asked for'),
            what: z.enum(['image', 'fill', 'stroke', 'text', 'ground', 'line', 'shadow']),
            source: z
              .string()
              .max(2000)
              .nullable()
              .describe(
                'What paints it: the path of a sheet or page, `style`, `attribute`, `browser` (no rule does), `image`; null: nobody knows',
              ),
            elements: z.int().min(1),
            example: z.string().max(200).describe('One of these elements'),
          }),
        )
        .max(500),
      rules: z
        .array(
          addedRuleSchema.extend({
            found: z.int().min(0).describe('Elements that it finds'),
            taking: z.int().min(0).describe('Of them, those that take its color'),
          }),
        )
        .max(500)
        .describe('Of the rules that were asked for, those that can be told at rest'),
    }),
  ])
  .describe('From the visitor origin to the application')
export type AgentSays = z.infer<typeof agentSaysSchema>

/** What the application asks of the agent. */
export const agentAskSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('hello') }),
    z.strictObject({ kind: z.literal('reload') }),
    z.strictObject({ kind: z.literal('uncover') }).describe('Take away what covers the page'),
    z
      .strictObject({
        kind: z.literal('survey'),
        colors: z.array(z.string().max(100)).max(5000),
        rules: z
          .array(addedRuleSchema)
          .max(500)
          .describe('Rules that were added, each with the opaque key of its color'),
      })
      .describe('Which elements show these colors, and what do these rules do?'),
    z.strictObject({ kind: z.literal('go'), path: z.string().max(MOST_ADDRESS).describe('On the same origin') }),
    z.strictObject({ kind: z.literal('scroll'), x: z.number(), y: z.number() }),
    z.strictObject({
      kind: z.literal('colors'),
      x: z.number().describe('Pixels of the window of the page'),
      y: z.number(),
    }),
  ])
  .describe('From the application to the visitor origin')
export type AgentAsk = z.infer<typeof agentAskSchema>
