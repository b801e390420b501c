import type { Role } from '@undo-ink/core'
import { useMemo } from 'react'
import { useCopy } from '../work/work.tsx'
import { consequenceOfRoles } from './consequence.ts'
import { useDeciding } from './use-deciding.ts'
import { Warnings } from './warnings.tsx'

/** What could be seen or read no more if the palette had other roles. @param roles the same list as long as nothing in it changes */
export function RolesWarnings({ roles }: { roles: readonly Role[] }) {
  const { places } = useCopy()
  const plan = useDeciding()
  const judgement = useMemo(() => consequenceOfRoles(roles, places, plan), [roles, places, plan])
  return <Warnings judgement={judgement} />
}
