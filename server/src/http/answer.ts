import type { Response } from 'express'
import * as z from 'zod'
import { Refusal } from './problem.ts'

/** Sends a body that its contract has checked, so that the interface can rely on it. */
export function answer<S extends z.ZodType>(res: Response, schema: S, body: z.input<S>, status = 200): void {
  res.status(status).json(schema.parse(body))
}

/** The id in a path; anything that is none leads nowhere. */
export function idOf(text: unknown): string {
  const id = z.uuid().safeParse(text)
  if (!id.success) throw new Refusal('not-found', 'There is nothing here')
  return id.data
}
