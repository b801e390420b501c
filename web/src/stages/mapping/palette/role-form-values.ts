import { roleSchema } from '@undo-ink/contracts'
import type { Role } from '@undo-ink/core'
import * as z from 'zod'

/** What is typed; a field left empty is not there. */
export const roleFormSchema = roleSchema
  .pick({ name: true, color: true })
  .extend({ dark: z.string(), print: z.string(), description: z.string().max(300, 'At most 300 characters') })
export type RoleFormValues = z.infer<typeof roleFormSchema>

/** What the form of a role begins with. @param role null: a new one */
export function valuesOf(role: Role | null): RoleFormValues {
  const { name = '', color = '', dark = '', print = '', description = '' } = role ?? {}
  return { name, color, dark, print, description }
}
