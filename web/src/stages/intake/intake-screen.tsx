import { Box, Flex, Text } from '@chakra-ui/react'
import type { SiteFile } from '@undo-ink/contracts'
import { countBy, type SitePages } from '@undo-ink/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { isActive } from '../../api/jobs.ts'
import { useChooseFiles } from '../../api/sites.ts'
import { ActButton } from '../../components/act-button.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import {
  are,
  bytes,
  count,
  day,
  encodingText,
  NAME_ENCODING_WORDS,
  number,
  SYNTAX_WORDS,
  shownPath,
} from '../../components/words.ts'
import { useCopy } from '../../work/work.tsx'
import { FileReading, readingText } from './file-reading.tsx'
import { JobProgress } from './job-progress.tsx'
import { JobTrouble, troubleOf, troubleOfJob } from './job-trouble.tsx'

/** The copy: every file with what was made of it. */
export function IntakeScreen() {
  const { snapshot, site, places, sitePages } = useCopy()
  const { files } = snapshot
  const choose = useChooseFiles(site)
  const { mutate } = choose
  const busy = choose.isPending || isActive(site.job)
  const columns = useMemo((): Column<SiteFile>[] => {
    const perPage = countBy(
      sitePages.pages.flatMap((page) => page.files),
      (path) => path,
    )
    return [
      {
        head: 'File',
        mono: true,
        path: true,
        cell: ({ path }) => shownPath(path),
        title: ({ path }) => shownPath(path),
      },
      { head: 'Size', width: '90px', right: true, cell: ({ size }) => bytes(size) },
      { head: 'Syntax', width: '90px', cell: ({ syntax }) => SYNTAX_WORDS[syntax] },
      { head: 'Encoding', width: '120px', cell: ({ encoding }) => (encoding ? encodingText(encoding) : '–') },
      {
        head: 'Places',
        width: '80px',
        right: true,
        cell: ({ path, skipped }) => (skipped === null ? number(places.inFile(path).length) : '–'),
      },
      {
        head: 'Pages',
        width: '80px',
        right: true,
        cell: ({ path }) => (perPage.has(path) ? number(perPage.get(path) ?? 0) : 'none'),
        title: ({ path }) => (perPage.has(path) ? undefined : 'no page uses it'),
      },
      {
        head: 'Read',
        width: '28%',
        cell: (file) => <FileReading file={file} busy={busy} onChoose={mutate} />,
        title: readingText,
      },
    ]
  }, [places, sitePages, busy, mutate])
  const trouble = choose.error ? troubleOf(choose.error) : troubleOfJob(site.job)
  const read = files.filter(({ skipped }) => skipped === null).length
  const total = files.reduce((sum, { size }) => sum + size, 0)
  const unread = files.length - read
  const leftOut = files.filter(({ skipped }) => skipped === 'third-party')
  return (
    <>
      <StageHead
        title="Intake"
        sentence={`${count(files.length, 'file')}, ${bytes(total)}, kept as received. ${number(read)} ${are(read)} read; ${number(unread)} ${are(unread)} not, each with its reason. ${unusedText(sitePages)}`}
      >
        <ActButton main asChild>
          <Link to={`/sites/${site.id}/ledger`}>See the {count(places.length, 'place')}</Link>
        </ActButton>
      </StageHead>
      {leftOut.length > 0 ? (
        <Flex align="center" gap="3" mb="3" fontSize="13px" wrap="wrap">
          <Text>
            {count(leftOut.length, 'file')} of third-party code {are(leftOut.length)} left out: what is changed there is
            lost with the next update.
          </Text>
          <ActButton
            h="28px"
            disabled={busy}
            onClick={() => mutate({ files: leftOut.map(({ id }) => id), choice: 'take-in' })}
          >
            {busy ? 'Reading …' : leftOut.length === 1 ? 'Take it in' : 'Take them in'}
          </ActButton>
        </Flex>
      ) : null}
      {isActive(site.job) ? <JobProgress job={site.job} /> : null}
      <Box aria-live="assertive">
        {trouble ? <JobTrouble {...trouble} after="The files stay as they were." /> : null}
      </Box>
      {snapshot.names ? (
        <Text mb="3" fontSize="13px">
          {count(snapshot.names.files, 'file name')} of the archive {snapshot.names.files === 1 ? 'was' : 'were'} not in
          UTF-8: read as {NAME_ENCODING_WORDS[snapshot.names.encoding]}, and handed over as{' '}
          {snapshot.names.files === 1 ? 'it' : 'they'} came. If that is wrong, make another site of the archive and
          choose there what its names are.
        </Text>
      ) : null}
      {snapshot.sameAs.map(({ siteId, name, receivedAt }) => (
        <Text key={siteId} mb="3" fontSize="13px">
          <span aria-hidden>◆</span> These are byte for byte the files of{' '}
          <Box as="span" textDecoration="underline" asChild>
            <Link to={`/sites/${siteId}/intake`}>{name}</Link>
          </Box>
          , received on {day(receivedAt)}: what was read there was not read again.
        </Text>
      ))}
      <VirtualTable
        label="Files of the copy"
        items={files}
        columns={columns}
        maxHeight="calc(100vh - 270px)"
        minWidth="960px"
      />
    </>
  )
}

function unusedText({ pages, unused }: SitePages): string {
  if (pages.length === 0) return 'No page was found among them.'
  return unused.length === 0
    ? 'Pages use all of them.'
    : `${count(unused.length, 'file')} ${are(unused.length)} used by no page.`
}
