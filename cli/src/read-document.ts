import { readFile } from 'node:fs/promises'
import { type PlanDocument, rolesIn } from '@undo-ink/contracts'
import type { Role } from '@undo-ink/core'
import type { z } from 'zod'
import { Misuse } from './misuse.ts'

/** Reads a JSON file and checks it; what is wrong is said with its place, an unknown member by its name. */
export async function readDocument<S extends z.ZodType>(file: string, schema: S): Promise<z.output<S>> {
  const text = await readFile(file, 'utf8').catch((error: Error) => {
    throw new Misuse(`${file} cannot be read: ${error.message}`)
  })
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    throw new Misuse(`${file} is no JSON: ${(error as Error).message}`)
  }
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const issue = parsed.error.issues[0]
  const place = issue?.path.join('.')
  const words = issue?.code === 'unrecognized_keys' ? `unknown member ${issue.keys.join(', ')}` : issue?.message
  throw new Misuse(`${file}: ${words}${place ? `, at ${place}` : ''}`)
}

/** The roles of a document; their names are their ids. */
export function rolesOf(palette: PlanDocument['palette']): Role[] {
  const roles = rolesIn(palette)
  if ('message' in roles) throw new Misuse(`${roles.at}: ${roles.message}`)
  return roles
}
