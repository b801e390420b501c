import { type Problem, problemSchema } from '@undo-ink/contracts'
import type * as z from 'zod'

/** A refusal of the server, in its words; `code` is null when there was no answer. */
export class ApiError extends Error {
  override name = 'ApiError'
  readonly code: Problem['code'] | null
  readonly detail: string | null

  constructor(problem: Problem | null) {
    super(problem?.title ?? 'The server does not answer')
    this.code = problem?.code ?? null
    this.detail = problem ? (problem.detail ?? null) : 'Nothing is lost: it is tried again when the server is back.'
  }
}

/** Asks the API under `/api` and checks the answer against its contract. Throws ApiError. */
export async function ask<S extends z.ZodType>(schema: S, path: string, init: RequestInit = {}): Promise<z.output<S>> {
  return schema.parse(await (await request(path, init)).json())
}

/** Asks the API for bytes. Throws ApiError. */
export async function askBytes(path: string): Promise<Uint8Array> {
  return new Uint8Array(await (await request(path, {})).arrayBuffer())
}

/** Asks the API for something to be done that has no answer. Throws ApiError. */
export async function askNothing(path: string, init: RequestInit): Promise<void> {
  await request(path, init)
}

async function request(path: string, init: RequestInit): Promise<Response> {
  const response = await fetch(`/api${path}`, init).catch(() => {
    throw new ApiError(null)
  })
  if (response.ok) return response
  const body: unknown = await response.json().catch(() => null)
  throw new ApiError(problemSchema.safeParse(body).data ?? null)
}

export function send(body: unknown): RequestInit {
  return { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }
}
