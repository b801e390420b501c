import { Flex, Text } from '@chakra-ui/react'
import { type Made, type Role, settled, withValue } from '@undo-ink/core'
import { useDeferredValue, useMemo } from 'react'
import { count } from '../../../components/words.ts'
import { consequenceOfRoles } from '../../../judging/consequence.ts'
import { useDeciding } from '../../../judging/use-deciding.ts'
import { Warnings } from '../../../judging/warnings.tsx'
import { useCopy } from '../../../work/work.tsx'

interface ValueConsequenceProps {
  readonly role: Role
  readonly color: string
  /** What the color is made of; null: it is one of its own. */
  readonly made: Made | null
}

/** What another value of a role would do on the site, before it is taken. */
export function ValueConsequence({ role, color, made }: ValueConsequenceProps) {
  const { places } = useCopy()
  const plan = useDeciding()
  const typed = useDeferredValue(color.trim())
  const consequence = useMemo(() => {
    const next = { ...withValue(role, 'light', typed), ...(made === null ? {} : { made }) }
    return consequenceOfRoles(settled(plan.roles.map((other) => (other.id === role.id ? next : other))), places, plan)
  }, [role, typed, made, places, plan])
  if (consequence.places === 0) return null
  return (
    <Flex direction="column" gap="1.5" mt="2">
      <Text role="status" fontSize="12px" color="soft">
        {count(consequence.places, 'place changes', 'places change')} with it.
      </Text>
      <Warnings judgement={consequence} />
    </Flex>
  )
}
