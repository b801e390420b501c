import { Flex, Text } from '@chakra-ui/react'
import type { FilesRead, Job } from '@undo-ink/contracts'
import { useFilesRead } from '../../api/jobs.ts'
import { StageHead } from '../../components/stage-head.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { number, shownPath } from '../../components/words.ts'
import { JobProgress } from './job-progress.tsx'

type FileDone = FilesRead[number]

const COLUMNS: readonly Column<FileDone>[] = [
  { head: 'File', mono: true, cell: ({ path }) => shownPath(path), title: ({ path }) => shownPath(path) },
  {
    head: 'Places',
    width: '120px',
    right: true,
    cell: ({ places }) => (places === null ? 'not read' : number(places)),
  },
]

/** A copy on its way in: its files as they are read. It goes on when one leaves. */
export function ReadingScreen({ job }: { job: Job }) {
  const files = useFilesRead(job.id)
  return (
    <Flex as="main" direction="column" w="100%" maxW="860px" mx="auto" p="6" flex="1" minH="0">
      <StageHead
        title="Intake"
        sentence="Every colour is being read. You can leave this page and come back: the work goes on, and nothing is shown before all of it is there."
      />
      <JobProgress job={job} />
      <VirtualTable
        label="Files read so far, the latest first"
        items={files.toReversed()}
        columns={COLUMNS}
        maxHeight="100%"
        minWidth="320px"
        empty={
          <Text p="4" color="soft" fontSize="13px">
            The first file will stand here.
          </Text>
        }
      />
    </Flex>
  )
}
