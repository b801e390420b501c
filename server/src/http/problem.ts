import { PROBLEMS, type Problem, type ProblemCode } from '@undo-ink/contracts'
import type { ErrorRequestHandler } from 'express'
import { ConnectionError } from 'sequelize'
import { ZodError } from 'zod'
import { TooCostly } from '../threads.ts'

/** A refusal that the person at the screen is told: its code gives the HTTP status. */
export class Refusal extends Error {
  override name = 'Refusal'
  readonly code: ProblemCode
  readonly detail: string | undefined

  constructor(code: ProblemCode, title: string, detail?: string) {
    super(title)
    this.code = code
    this.detail = detail
  }

  toProblem(): Problem {
    return {
      type: `/problems/${this.code}`,
      title: this.message,
      status: PROBLEMS[this.code],
      code: this.code,
      ...(this.detail === undefined ? {} : { detail: this.detail }),
    }
  }
}

/** PostgreSQL, appendix A: `disk_full`. */
const PG_DISK_FULL = '53100'

/** The same: `admin_shutdown` and its kin. */
const PG_STOPPING = '57P'

/** Answers every error as problem details (RFC 9457); what is no refusal is logged and not described. */
export const answerProblem: ErrorRequestHandler = (error, req, res, next) => {
  if (res.headersSent) {
    next(error)
    return
  }
  const refusal = toRefusal(error)
  if (refusal.code === 'internal') req.log.error({ err: error }, 'request failed')
  const problem = refusal.toProblem()
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem))
}

/** What is told of an error; of one that nobody foresaw, nothing. */
export function toRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error
  if (error instanceof ZodError) {
    const issue = error.issues[0]
    return new Refusal('bad-request', issue?.message ?? 'The request is not understood', issue?.path.join('.'))
  }
  if (error instanceof TooCostly)
    return new Refusal('too-large', 'This takes more time or memory than its size allows; it was ended')
  const code = (error as { original?: { code?: unknown } }).original?.code ?? (error as { code?: unknown }).code
  if (code === PG_DISK_FULL) return new Refusal('no-space', 'The disk of the database is full; nothing was changed')
  if (code === 'ENOSPC') return new Refusal('no-space', 'The disk for temporary files is full; nothing was changed')
  if (error instanceof ConnectionError || (typeof code === 'string' && code.startsWith(PG_STOPPING)))
    return new Refusal('no-database', 'The database does not answer; nothing was changed', 'It is started again.')
  const status = (error as { status?: unknown } | null)?.status
  if (status === 413) return new Refusal('too-large', 'The request is too large')
  if (status === 400 || status === 415) return new Refusal('bad-request', 'The request is not understood')
  if (status === 404) return new Refusal('not-found', 'There is nothing here')
  return new Refusal('internal', 'Something went wrong in the server; nothing was changed')
}
