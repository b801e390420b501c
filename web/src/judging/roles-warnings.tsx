import type { Role } from '@undo-ink/core'
import { useRolesConsequence } from './use-judged.ts'
import { Warnings } from './warnings.tsx'

/** What could be seen or read no more if the palette had other roles. @param roles the same list as long as nothing in it changes */
export function RolesWarnings({ roles }: { roles: readonly Role[] }) {
  return <Warnings {...useRolesConsequence(roles)} />
}
