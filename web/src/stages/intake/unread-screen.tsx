import { Box } from '@chakra-ui/react'
import type { Site } from '@undo-ink/contracts'
import { useReadFiles } from '../../api/jobs.ts'
import { ActButton } from '../../components/act-button.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { count } from '../../components/words.ts'
import { JobTrouble, troubleOf, troubleOfJob } from './job-trouble.tsx'

/** A copy whose files were read by an older version only, and whose reading was stopped or failed. */
export function UnreadScreen({ site }: { site: Site }) {
  const read = useReadFiles(site.id)
  const trouble = read.error ? troubleOf(read.error) : troubleOfJob(site.job)
  return (
    <Box as="main" w="100%" maxW="860px" mx="auto" p="6">
      <StageHead
        title="Intake"
        sentence={`The ${count(site.snapshot?.files.length ?? 0, 'file')} of this copy are kept as received, and so is every decision. They have not been read by this version of the program yet.`}
      >
        <ActButton main disabled={read.isPending} onClick={() => read.mutate()}>
          Read the files
        </ActButton>
      </StageHead>
      {trouble ? <JobTrouble {...trouble} after="Nothing was changed." /> : null}
    </Box>
  )
}
