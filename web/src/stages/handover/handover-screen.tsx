import { Box, Flex, Text } from '@chakra-ui/react'
import { type ReactNode, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { Note } from '../../components/note.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { count, encodingText, number, shownPath } from '../../components/words.ts'
import { rowsIn } from '../../work/standing.ts'
import { useLetters } from '../../work/use-keys.ts'
import { useStable } from '../../work/use-stable.ts'
import { useView } from '../../work/view-store.ts'
import { useClusters, useCopy, usePlan, useSaved } from '../../work/work.tsx'
import { ChangeList, type Order } from './change-list.tsx'
import { LostLater } from './lost-later.tsx'
import { PageCheck } from './page-check/page-check.tsx'
import { ProofSource } from './proof-source.tsx'
import { byDecision, byFile, type PlannedChange } from './rewriting/planned-changes.ts'
import { type Rewriting, useRewrite } from './rewriting/use-rewrite.ts'
import { UnwrittenNote } from './unwritten-note.tsx'

/** What the plan changes, read as a proofreader reads, and the copy to send. */
export function HandoverScreen() {
  const { places } = useCopy()
  const { standing } = usePlan()
  const { rows } = useClusters()
  const rewriting = useRewrite()
  const { rewrite } = rewriting
  const stretch = useView((view) => view.stretch)
  const [order, setOrder] = useState<Order>('decision')
  const [key, setKey] = useState<string | null>(null)
  const [at, setAt] = useState<string | null>(null)
  const all = rewrite?.changes ?? NONE
  const changes = useMemo(() => {
    if (stretch === null) return all
    const colors = new Set(rowsIn(rows, stretch).flatMap(({ cluster }) => cluster.members))
    return all.filter(({ was }) => was !== null && colors.has(was.color))
  }, [all, rows, stretch])
  const groups = useMemo(() => (order === 'decision' ? byDecision(changes) : byFile(changes)), [changes, order])
  const group = groups.find((each) => each.key === key) ?? groups[0] ?? null
  const change = group?.changes.find(({ key }) => key === at) ?? group?.changes[0] ?? null
  const step = (direction: 1 | -1) => {
    // Past the last change of a group comes the first of the next.
    const all = groups.flatMap((each) => each.changes.map((one) => ({ group: each, one })))
    const here = all.findIndex((each) => each.group === group && each.one === change)
    const next = all[(here + direction + all.length) % all.length]
    setKey(next?.group.key ?? null)
    setAt(next?.one.key ?? null)
  }
  useLetters(
    useStable((letter) => {
      if (letter !== 'n' && letter !== 'p') return false
      step(letter === 'n' ? 1 : -1)
      return true
    }),
  )
  const files = byFile(all).length
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="480px">
      <StageHead
        title="Handover"
        sentence={rewrite ? sentence(all, files, places.length - standing.changed) : 'Working out every change …'}
      >
        <ActButton hotkey="P" disabled={!change} onClick={() => step(-1)}>
          Previous
        </ActButton>
        <ActButton hotkey="N" disabled={!change} onClick={() => step(1)}>
          Next
        </ActButton>
        <Download />
      </StageHead>
      <PageCheck />
      <Failed {...rewriting} />
      {rewrite && rewrite.unwritten.length > 0 && all.length === 0 ? (
        <UnwrittenNote unwritten={rewrite.unwritten} />
      ) : null}
      {!rewrite ? null : all.length === 0 ? (
        <NothingYet />
      ) : (
        <Flex flex={{ base: 'none', lg: '1' }} minH="0" gap="4" direction={{ base: 'column', lg: 'row' }}>
          <Flex direction="column" gap="3" flex={{ base: 'none', lg: '0 0 260px' }} minH="0" overflow={{ lg: 'auto' }}>
            <ChangeList
              order={order}
              groups={groups}
              chosen={group}
              onOrder={setOrder}
              onChoose={(next) => {
                setKey(next.key)
                setAt(null)
              }}
            />
            {change ? (
              <FileFacts change={change} all={all}>
                <UnwrittenNote unwritten={rewrite.unwritten} />
                <LostLater all={all} />
              </FileFacts>
            ) : null}
          </Flex>
          {change && group ? <ProofSource change={change} group={group.changes} all={all} /> : null}
        </Flex>
      )}
    </Flex>
  )
}

const NONE: readonly PlannedChange[] = []

/** What could not be worked out, and the way to ask again. */
function Failed({ failed, again }: Rewriting) {
  if (failed === null) return null
  return (
    <Note shape="▲" title="What the plan changes could not be worked out">
      {failed}. Nothing is lost: every decision is saved. <ActButton onClick={again}>Try again</ActButton>
    </Note>
  )
}

/** @param staying places that take no role */
function sentence(all: readonly PlannedChange[], files: number, staying: number): string {
  if (all.length === 0) return 'Nothing changes yet: the copy would be byte for byte what came in.'
  const parts = all.filter(({ part }) => part !== null).length
  const rules = parts === 0 ? '' : ` (${number(parts)} of them by rules that are added)`
  return `${count(all.length, 'change')}${rules} in ${count(files, 'file')}, written in place. ${count(staying, 'place stays', 'places stay')} as they came, and so does every other byte.`
}

function Download() {
  const { snapshot } = useCopy()
  const saved = useSaved()
  const href = `/api/plans/${snapshot.planId}/copy.zip`
  if (!saved) return <ActButton disabled>Saving …</ActButton>
  return (
    <ActButton main asChild>
      <a href={href} download>
        Get the recoloured copy
      </a>
    </ActButton>
  )
}

function NothingYet() {
  const { site } = useCopy()
  return (
    <Sheet p="6">
      <Text fontWeight="600">Nothing is decided yet</Text>
      <Text mt="1" mb="4" color="soft">
        Give a cluster a role, and every change that follows from it stands here, ready to be read before it is sent.
      </Text>
      <ActButton main asChild>
        <Link to={`/sites/${site.id}/mapping`}>To the clusters</Link>
      </ActButton>
    </Sheet>
  )
}

interface FileFactsProps {
  readonly change: PlannedChange
  readonly all: readonly PlannedChange[]
  readonly children: ReactNode
}

function FileFacts({ change, all, children }: FileFactsProps) {
  const { snapshot } = useCopy()
  const { path } = change
  const file = snapshot.files.find((each) => each.path === path)
  const here = all.filter((each) => each.path === path)
  const hex = all.filter(({ keptNotation }) => !keptNotation)
  const missing = snapshot.files.filter(({ skipped }) => skipped === 'too-large')
  return (
    <Flex direction="column" gap="3" flex="none" fontSize="13px">
      <Sheet p="3" as="section" aria-label="Facts of the file">
        <Text fontFamily="mono" fontWeight="600" truncate title={shownPath(path)}>
          {shownPath(path)}
        </Text>
        <Box as="dl" mt="1">
          {[
            ['changes', number(here.length)],
            ['encoding', file?.encoding ? encodingText(file.encoding) : ''],
          ].map(([name, value]) => (
            <Flex key={name} justify="space-between" gap="2">
              <dt>{name}</dt>
              <Text as="dd" fontFamily="mono">
                {value}
              </Text>
            </Flex>
          ))}
        </Box>
      </Sheet>
      {children}
      {hex.length > 0 ? (
        <Note shape="◆" title={`${count(hex.length, 'place')} written as hex`}>
          The author's notation cannot hold the new colour there: a name has none for it. Marked “as hex” in the margin.
        </Note>
      ) : null}
      {missing.length > 0 ? (
        <Note shape="▲" title={`${count(missing.length, 'file')} not in the copy`}>
          {missing.map((each) => each.path).join(', ')}: over the limit, never taken in.
        </Note>
      ) : null}
    </Flex>
  )
}
