import { z } from 'zod'

/** What the agent on a visited page says to the application. */
export const agentSaysSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('at'), path: z.string().max(2000), title: z.string().max(500) }),
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
  ])
  .describe('From the visitor origin to the application')
export type AgentSays = z.infer<typeof agentSaysSchema>

/** What the application asks of the agent. */
export const agentAskSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('hello') }),
    z.strictObject({ kind: z.literal('reload') }),
    z.strictObject({ kind: z.literal('go'), path: z.string().max(2000).describe('On the same origin') }),
    z.strictObject({ kind: z.literal('scroll'), x: z.number(), y: z.number() }),
    z.strictObject({
      kind: z.literal('colors'),
      x: z.number().describe('Pixels of the window of the page'),
      y: z.number(),
    }),
  ])
  .describe('From the application to the visitor origin')
export type AgentAsk = z.infer<typeof agentAskSchema>
