import { Flex, Text } from '@chakra-ui/react'
import { type Made, type Role, settled, withValue } from '@undo-ink/core'
import { useDeferredValue, useMemo } from 'react'
import { count } from '../../../components/words.ts'
import { useRolesConsequence } from '../../../judging/use-judged.ts'
import { Warnings } from '../../../judging/warnings.tsx'
import { usePlan } from '../../../work/work.tsx'

interface ValueConsequenceProps {
  readonly role: Role
  readonly color: string
  /** What the color is made of; null: it is one of its own. */
  readonly made: Made | null
}

/** What another value of a role would do on the site, before it is taken. */
export function ValueConsequence({ role, color, made }: ValueConsequenceProps) {
  const { roles } = usePlan()
  const typed = useDeferredValue(color.trim())
  const after = useMemo(() => {
    const next = { ...withValue(role, 'light', typed), ...(made === null ? {} : { made }) }
    return settled(roles.map((other) => (other.id === role.id ? next : other)))
  }, [role, typed, made, roles])
  const { judgement, isCurrent } = useRolesConsequence(after)
  if (judgement === null || judgement.places === 0) return null
  return (
    <Flex direction="column" gap="1.5" mt="2">
      <Text role="status" fontSize="12px" color="soft">
        {count(judgement.places, 'place changes', 'places change')} with it.
      </Text>
      <Warnings judgement={judgement} isCurrent={isCurrent} />
    </Flex>
  )
}
