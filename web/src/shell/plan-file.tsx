import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { documentOf } from '@undo-ink/contracts'
import { useMemo, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { isActive } from '../api/jobs.ts'
import { useChooseFiles } from '../api/sites.ts'
import { ActButton } from '../components/act-button.tsx'
import { saveFile } from '../components/save-file.ts'
import { count } from '../components/words.ts'
import { DecisionsWarnings } from '../judging/decisions-warnings.tsx'
import { confirming } from '../work/confirming.ts'
import { decisionText } from '../work/decision-words.ts'
import { useCopy, usePlan } from '../work/work.tsx'
import { type PlanImport, readPlanFile } from './plan-import.ts'

/** More than a plan of the largest site has. */
const MOST_BYTES = 20 * 1024 * 1024

/** The plan as a file: handed over, or taken from one, with what that would do said first. */
export function PlanFile() {
  const { site, snapshot, places, sitePages } = useCopy()
  const { state, roles } = usePlan()
  const [found, setFound] = useState<PlanImport | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const take = async ([file]: readonly File[]) => {
    setFound(null)
    if (!file) return
    const read =
      file.size > MOST_BYTES
        ? 'It is over 20 MB: no plan is as large.'
        : readPlanFile(await file.text(), places, roles, sitePages.pages, snapshot)
    setProblem(typeof read === 'string' ? `${file.name}: ${read}` : null)
    setFound(typeof read === 'string' ? null : read)
  }
  const { getInputProps, open } = useDropzone({ multiple: false, noClick: true, onDrop: (files) => void take(files) })
  const save = () => {
    const text = `${JSON.stringify(documentOf(state, roles, { site: site.name, digest: snapshot.digest, files: snapshot.files }), null, 2)}\n`
    saveFile(`${site.name} plan.json`, new Blob([text], { type: 'application/json' }))
  }
  return (
    <Box px="5" py="2" fontSize="13px" borderBottomWidth="1px">
      <Flex gap="2" align="center">
        <Text mr="auto">The plan as a file</Text>
        <ActButton h="28px" disabled={state.decisions.length + state.insertions.length === 0} onClick={save}>
          Export
        </ActButton>
        <ActButton h="28px" onClick={open}>
          Import …
        </ActButton>
        <input {...getInputProps({ 'aria-label': 'File of a plan' })} />
      </Flex>
      {problem ? (
        <Text mt="2" role="alert" fontWeight="600">
          <chakra.span aria-hidden>▲</chakra.span> {problem}
        </Text>
      ) : null}
      {found ? <Found found={found} onDone={() => setFound(null)} /> : null}
    </Box>
  )
}

const MOST_TOLD = 5

function Found({ found, onDone }: { found: PlanImport; onDone(): void }) {
  const { site } = useCopy()
  const { roles, state, store } = usePlan()
  const { document, insertions, confirmed, corrections, places, idle, problems } = found
  const decisions = useMemo(() => found.decisions.map((each) => ({ ...each, id: crypto.randomUUID() })), [found])
  const take = () => {
    if (decisions.length > 0) store.act({ kind: 'decide', decisions })
    const { tolerance } = document
    if (tolerance !== undefined && tolerance !== state.tolerance) store.act({ kind: 'tolerance', value: tolerance })
    if (insertions.length > 0)
      store.act({ kind: 'insert', insertions: insertions.map((each) => ({ ...each, id: crypto.randomUUID() })) })
    if (confirmed.length > 0) store.act(confirming(confirmed))
    if (corrections.length > 0)
      store.act({ kind: 'correct', corrections: corrections.map((each) => ({ ...each, id: crypto.randomUUID() })) })
    for (const colors of document.groups ?? []) store.act({ kind: 'group', colors })
    for (const color of document.leads ?? []) store.act({ kind: 'lead', color })
    onDone()
  }
  const list = (texts: readonly string[]) => (
    <Box as="ul" pl="4">
      {texts.slice(0, MOST_TOLD).map((text) => (
        <li key={text}>{text}</li>
      ))}
      {texts.length > MOST_TOLD ? <li>and {count(texts.length - MOST_TOLD, 'more')}</li> : null}
    </Box>
  )
  return (
    <Flex direction="column" gap="2" mt="2" role="group" aria-label="What the file would do">
      {document.site !== undefined && document.site !== site.name ? (
        <Text>
          <span aria-hidden>◆</span> It was made for <b>{document.site}</b>, not for this site.
        </Text>
      ) : null}
      <Text>
        {count(decisions.length, 'decision')} would take {count(places, 'place')} here, over what is decided now
        {insertions.length > 0 ? `; ${count(insertions.length, 'rule')} would be added` : ''}.
      </Text>
      {confirmed.length > 0 ? (
        <Text>
          {count(confirmed.length, 'place that is', 'places that are')} only possibly a colour would be confirmed.
        </Text>
      ) : null}
      {corrections.length > 0 ? <Text>{count(corrections.length, 'slip')} would be put right.</Text> : null}
      {(document.corrections?.length ?? 0) > corrections.length ? (
        <Text>
          <span aria-hidden>◆</span> The slips that it puts right are of other files: they are left out.
        </Text>
      ) : null}
      <FileChoices found={found} />
      {idle.length > 0 ? (
        <div>
          {count(idle.length, 'decision finds', 'decisions find')} nothing in this copy and{' '}
          {idle.length === 1 ? 'is' : 'are'} left out:
          {list(idle.map((each) => decisionText(each, roles)))}
        </div>
      ) : null}
      {problems.length > 0 ? (
        <div>
          <span aria-hidden>▲</span> {count(problems.length, 'decision')} cannot be taken:
          {list(problems.map(({ at, message }) => `${at}: ${message}`))}
        </div>
      ) : null}
      <DecisionsWarnings decisions={decisions} />
      <Flex gap="2">
        <ActButton
          main
          h="28px"
          disabled={decisions.length + insertions.length + confirmed.length + corrections.length === 0}
          onClick={take}
        >
          Take them
        </ActButton>
        <ActButton h="28px" onClick={onDone}>
          Leave it
        </ActButton>
      </Flex>
    </Flex>
  )
}

/** Files that the plan takes in or leaves out otherwise than this copy does: each kind by an act of its own, which reads them. */
function FileChoices({ found: { choices } }: { found: PlanImport }) {
  const { site } = useCopy()
  const choose = useChooseFiles(site)
  const busy = choose.isPending || isActive(site.job)
  const acts = [
    { choice: 'take-in', says: 'Take it in', many: 'Take them in', what: 'read all the same' },
    { choice: 'set-aside', says: 'Leave it out', many: 'Leave them out', what: 'left out' },
  ] as const
  return acts.map(({ choice, says, many, what }) => {
    const files = choices[choice]
    if (files.length === 0) return null
    return (
      <Flex key={choice} gap="2" align="center" justify="space-between">
        <Text>
          In the file {count(files.length, 'file is', 'files are')} {what}: {files[0]?.path}
          {files.length > 1 ? ' …' : ''}
        </Text>
        <ActButton
          h="28px"
          flex="none"
          disabled={busy}
          onClick={() => choose.mutate({ files: files.map(({ id }) => id), choice })}
        >
          {files.length === 1 ? says : many}
        </ActButton>
      </Flex>
    )
  })
}
