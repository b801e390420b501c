import { readFile } from 'node:fs/promises'
import { type PlanDocument, paletteDocumentSchema, rolesIn } from '@undo-ink/contracts'
import { type Role, readPalette } from '@undo-ink/core'
import type * as z from 'zod'
import { Misuse } from './misuse.ts'

/** Reads a JSON file and checks it; what is wrong is said with its place, an unknown member by its name. */
export async function readDocument<S extends z.ZodType>(file: string, schema: S): Promise<z.output<S>> {
  return parsed(file, await textOf(file), schema)
}

function textOf(file: string): Promise<string> {
  return readFile(file, 'utf8').catch((error: Error) => {
    throw new Misuse(`${file} cannot be read: ${error.message}`)
  })
}

function parsed<S extends z.ZodType>(file: string, text: string, schema: S): z.output<S> {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    throw new Misuse(`${file} is no JSON: ${(error as Error).message}`)
  }
  const found = schema.safeParse(value)
  if (found.success) return found.data
  const issue = found.error.issues[0]
  const place = issue?.path.join('.')
  const words = issue?.code === 'unrecognized_keys' ? `unknown member ${issue.keys.join(', ')}` : issue?.message
  throw new Misuse(`${file}: ${words}${place ? `, at ${place}` : ''}`)
}

/** The roles of a palette: a document of ours, or any format in which the interface writes them out. */
export async function readRoles(file: string): Promise<Role[]> {
  const text = await textOf(file)
  if (/\.json$/i.test(file) && /^\s*\{[^{]*"palette"\s*:/.test(text))
    return rolesOf(parsed(file, text, paletteDocumentSchema).palette)
  const { colors } = readPalette(text, file)
  if (colors.length === 0) throw new Misuse(`${file} holds no palette`)
  return colors.map(({ name, color }, index) => ({ id: String(index), name: name ?? color, color }))
}

/** The roles of a document; their names are their ids. */
export function rolesOf(palette: PlanDocument['palette']): Role[] {
  const roles = rolesIn(palette)
  if ('message' in roles) throw new Misuse(`${roles.at}: ${roles.message}`)
  return roles
}
