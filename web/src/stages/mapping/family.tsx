import { Box, Flex, Text } from '@chakra-ui/react'
import { familyOf, type OpaqueKey, type OwnJob, ownJobOf, resolver, together } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Dialog } from '../../components/dialog.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { TickList, TickRow } from '../../components/tick-list.tsx'
import { count } from '../../components/words.ts'
import { DecisionsWarnings } from '../../judging/decisions-warnings.tsx'
import { paintKeyOf, type Row } from '../../work/standing.ts'
import { useSameItems } from '../../work/use-same.ts'
import { useClusters, useCopy, usePlan } from '../../work/work.tsx'
import { decisionOf } from './deciding.ts'
import { useSeenColors } from './use-suggestions.ts'

/** The act that lets open shades of a decided colour keep their place to it: each named and shown before and after, those ticked that have no job of their own. */
export function Family({ row }: { row: Row }) {
  const { rows } = useClusters()
  const [isOpen, setOpen] = useState(false)
  const { lead } = row.cluster
  const open = rows.filter((other) => other.open === other.count)
  const colors = new Set(
    row.use === null && row.leads
      ? familyOf(
          lead,
          open.map(({ cluster }) => cluster.lead),
        )
      : [],
  )
  const family = open.filter(({ cluster }) => colors.has(cluster.lead))
  if (family.length === 0) return null
  return (
    <Box>
      <Flex gap="1px" mb="1" overflow="hidden" aria-hidden>
        {family.map(({ cluster }) => (
          <Swatch key={cluster.lead} color={cluster.lead} size="100%" maxW="24px" h="12px" borderRadius="0" />
        ))}
      </Flex>
      <ActButton w="100%" onClick={() => setOpen(true)}>
        Its {count(family.length, 'open shade')} …
      </ActButton>
      <Dialog title={`Shades of ${lead}`} open={isOpen} width="780px" onClose={() => setOpen(false)}>
        <Shades lead={lead} family={family} onDone={() => setOpen(false)} />
      </Dialog>
    </Box>
  )
}

const JOB_WORDS: Readonly<Record<OwnJob, string>> = {
  status: 'a status by its name',
  company: 'another company’s colour by its name',
  neutral: 'nearly grey',
  role: 'a role of the palette already',
}

interface ShadesProps {
  readonly lead: OpaqueKey
  readonly family: readonly Row[]
  onDone(): void
}

function Shades({ lead, family, onDone }: ShadesProps) {
  const { sitePages } = useCopy()
  const { state, roles, store } = usePlan()
  const seen = useSeenColors()
  const jobs = useMemo(
    () =>
      new Map(
        family.map(({ cluster }) => {
          const parts = cluster.members.flatMap((key) => seen?.get(key) ?? [])
          return [cluster.lead, ownJobOf(cluster.lead, parts.length > 0 ? together(parts) : null, roles)]
        }),
      ),
    [family, seen, roles],
  )
  const [changed, setChanged] = useState<ReadonlyMap<OpaqueKey, boolean>>(new Map())
  const isTicked = ({ cluster }: Row) => changed.get(cluster.lead) ?? jobs.get(cluster.lead) === null
  const following = family.filter(isTicked)
  const trials = useMemo(
    () => family.map((row) => decisionOf(row, { kind: 'follow', lead }, `trial ${row.key}`)),
    [family, lead],
  )
  const tried = useSameItems(trials.filter((_, i) => following.includes(family[i] as Row)))
  const after = resolver([...state.decisions, ...trials], roles, sitePages.pages, state.confirmations)
  const follow = () => {
    store.act({
      kind: 'decide',
      decisions: following.map((other) => decisionOf(other, { kind: 'follow', lead }, crypto.randomUUID())),
    })
    onDone()
  }
  return (
    <Flex direction="column" gap="3" fontSize="13px">
      <Text>
        What is ticked keeps its place to {lead}, wherever that goes: a pale tint stays pale, a deep shade deep, and
        text as readable as it was. What has a job of its own is not ticked.
      </Text>
      <TickList label="Shades">
        {family.map((row) => {
          const { lead: key } = row.cluster
          const [use] = row.uses[0] ?? ['other' as const]
          const paint = paintKeyOf(after.outcome({ color: key, use }))
          const job = jobs.get(key) ?? null
          return (
            <TickRow
              key={key}
              checked={isTicked(row)}
              onCheck={(checked) => setChanged(new Map(changed).set(key, checked))}
            >
              <Swatch color={key} size="26px" borderRadius="0" />
              <span aria-hidden>→</span>
              <Swatch color={paint} size="26px" borderRadius="0" />
              <Text fontFamily="mono">
                {key} becomes {paint}
              </Text>
              <Text ml="auto" color="soft">
                {count(row.count, 'place')}, mostly {use}
                {job === null ? '' : `; ${JOB_WORDS[job]}`}
              </Text>
            </TickRow>
          )
        })}
      </TickList>
      <DecisionsWarnings decisions={tried} />
      <Flex justify="flex-end" gap="2">
        <ActButton main disabled={following.length === 0} onClick={follow}>
          Let {count(following.length, 'shade')} follow
        </ActButton>
        <ActButton onClick={onDone}>Leave them open</ActButton>
      </Flex>
    </Flex>
  )
}
