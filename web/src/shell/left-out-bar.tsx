import { Flex, Text } from '@chakra-ui/react'
import type { SiteFile } from '@undo-ink/contracts'
import type { LeftOutSheet } from '@undo-ink/core'
import { isActive } from '../api/jobs.ts'
import { useChooseFiles } from '../api/sites.ts'
import { ActButton } from '../components/act-button.tsx'
import { count, number } from '../components/words.ts'
import { useCopy } from '../work/work.tsx'

/** A sheet that pages load and nothing changes in, with its file. */
interface PassedOver {
  readonly sheet: LeftOutSheet
  readonly file: SiteFile
}

/** Says that pages load sheets which are left out, until somebody takes them in or says that they stay out. */
export function LeftOutBar() {
  const { site, snapshot, sitePages } = useCopy()
  const choose = useChooseFiles(site)
  const passed = sitePages.leftOut.flatMap((sheet): PassedOver[] => {
    const file = snapshot.files.find(({ path }) => path === sheet.path)
    return file?.skipped === 'third-party' && sheet.places !== 0 ? [{ sheet, file }] : []
  })
  if (passed.length === 0) return null
  const busy = choose.isPending || isActive(site.job)
  const decide = (choice: 'take-in' | 'set-aside') =>
    choose.mutate({ files: passed.map(({ file }) => file.id), choice })
  const them = passed.length === 1 ? 'it' : 'them'
  return (
    <Flex role="status" bg="ink" color="sheet" px="4" py="2" gap="3" align="center" fontSize="13px" wrap="wrap">
      <span aria-hidden>▲</span>
      <Text flex="1 1 320px" minW="0">
        <b>{leadText(passed, sitePages.pages.length)}</b> {placesText(passed)}
      </Text>
      <ActButton h="28px" disabled={busy} onClick={() => decide('take-in')}>
        {busy ? 'Reading …' : `Take ${them} in`}
      </ActButton>
      <ActButton h="28px" disabled={busy} onClick={() => decide('set-aside')}>
        Leave {them} out
      </ActButton>
    </Flex>
  )
}

const MOST_NAMED = 2

function leadText(passed: readonly PassedOver[], all: number): string {
  const pages = new Set(passed.flatMap(({ sheet }) => sheet.pages)).size
  const named = passed.slice(0, MOST_NAMED).map(({ sheet }) => sheet.path)
  const more = passed.length > MOST_NAMED ? ` and ${count(passed.length - MOST_NAMED, 'more sheet')}` : ''
  return `${number(pages)} of ${count(all, 'page')} ${pages === 1 ? 'loads' : 'load'} ${named.join(', ')}${more}, left out as third-party code.`
}

function placesText(passed: readonly PassedOver[]): string {
  const places = passed.reduce((sum, { sheet }) => sum + (sheet.places ?? 0), 0)
  if (places === 0) return 'It cannot be read: what it paints stays as it is.'
  return `${count(places, 'place')} in ${passed.length === 1 ? 'it' : 'them'} ${places === 1 ? 'stays as it' : 'stay as they'} came.`
}
