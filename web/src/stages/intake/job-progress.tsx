import { Flex, Progress, Text } from '@chakra-ui/react'
import type { Job } from '@undo-ink/contracts'
import { useStopJob } from '../../api/jobs.ts'
import { ActButton } from '../../components/act-button.tsx'
import { count, number } from '../../components/words.ts'

/** How far a job is, and the act that stops it. */
export function JobProgress({ job }: { job: Job }) {
  const stop = useStopJob()
  const { filesDone, filesTotal } = job
  return (
    <Flex align="center" gap="4" mb="3" role="group" aria-label="Reading">
      <Progress.Root
        flex="1"
        size="sm"
        min={0}
        max={filesTotal || 1}
        value={filesTotal === null ? null : filesTotal === 0 ? 1 : filesDone}
        aria-label="Files read"
      >
        <Progress.Track bg="sheet" borderWidth="1px" borderColor="strong" borderRadius="2px">
          <Progress.Range bg="ink" />
        </Progress.Track>
      </Progress.Root>
      <Text fontSize="13px" minW="240px" role="status">
        {says(job)}
      </Text>
      <ActButton h="28px" disabled={stop.isPending || stop.isSuccess} onClick={() => stop.mutate(job)}>
        {stop.isPending || stop.isSuccess ? 'Stopping …' : 'Stop'}
      </ActButton>
    </Flex>
  )
}

function says({ state, filesDone, filesTotal, places }: Job): string {
  if (state === 'waiting') return 'Waiting for its turn …'
  if (filesTotal === null) return 'Opening …'
  return `${number(filesDone)} of ${count(filesTotal, 'file')} read, ${count(places, 'place')} found`
}
