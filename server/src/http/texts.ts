import type { RequestHandler } from 'express'
import { Refusal } from './problem.ts'

/** Refuses a body that is not UTF-8, and one with a text that no database keeps: one that holds NUL, or half of a surrogate pair. */
export const soundTexts: RequestHandler = (req, _res, next) => {
  const charset = /;\s*charset="?([^";\s]*)/i.exec(req.get('content-type') ?? '')?.[1]
  if (charset !== undefined && charset.toLowerCase() !== 'utf-8')
    throw new Refusal('bad-request', 'Only UTF-8 is understood', charset.slice(0, 50))
  const pending: unknown[] = [req.body, req.query]
  while (pending.length > 0) {
    const value = pending.pop()
    if (typeof value === 'string' && UNSOUND.test(value))
      throw new Refusal('bad-request', 'A text in this request holds a character that is none')
    if (typeof value === 'object' && value !== null) pending.push(...Object.keys(value), ...Object.values(value))
  }
  next()
}

// biome-ignore lint/suspicious/noControlCharactersInRegex: NUL is what is looked for
const UNSOUND = /\u0000|\p{Surrogate}/u
