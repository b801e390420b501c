import { Flex, Progress, Text } from '@chakra-ui/react'
import type { Job } from '@undo-ink/contracts'
import { useStopJob } from '../../api/jobs.ts'
import { ActButton } from '../../components/act-button.tsx'
import { count, number } from '../../components/words.ts'

/** How far a job is, and the act that stops it. */
export function JobProgress({ job }: { job: Job }) {
  const stop = useStopJob()
  return (
    <Flex align="center" gap="4" mb="3" role="group" aria-label="Reading">
      <Progress.Root flex="1" size="sm" min={0} max={1} value={shareOf(job)} aria-label="Read so far">
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

/** Of the work in all: files take most of it, then the site is put together and its pages are looked through. */
const FILES_SHARE = 0.8

/** 0 to 1; null: not known yet. */
function shareOf({ filesDone, filesTotal, pagesDone, pagesTotal }: Job): number | null {
  if (filesTotal === null) return null
  const files = filesTotal === 0 ? 1 : filesDone / filesTotal
  const pages = pagesTotal === null ? 0 : pagesTotal === 0 ? 1 : pagesDone / pagesTotal
  return files * FILES_SHARE + pages * (1 - FILES_SHARE)
}

function says({ state, filesDone, filesTotal, places, pagesDone, pagesTotal }: Job): string {
  if (state === 'waiting') return 'Waiting for its turn …'
  if (filesTotal === null) return 'Opening …'
  if (pagesTotal !== null && pagesDone < pagesTotal)
    return `All files are read; looking for words: ${number(pagesDone)} of ${count(pagesTotal, 'page')}`
  if (filesDone === filesTotal)
    return `All ${count(filesTotal, 'file')} read, ${count(places, 'place')}; putting the site together …`
  return `${number(filesDone)} of ${count(filesTotal, 'file')} read, ${count(places, 'place')} found`
}
