import { Box, Text } from '@chakra-ui/react'
import type { Job } from '@undo-ink/contracts'
import { ApiError } from '../../api/client.ts'
import { Note } from '../../components/note.tsx'

/** Why something was not done. */
export interface Trouble {
  readonly title: string
  /** Whether something is to be mended before it can be done. */
  readonly isFault: boolean
  readonly detail?: string | null
}

export function troubleOf(error: Error): Trouble {
  return { title: error.message, isFault: true, detail: error instanceof ApiError ? error.detail : null }
}

/** What kept a job from being done; null: nothing did. */
export function troubleOfJob(job: Job | null): Trouble | null {
  if (job?.state === 'cancelled') return { title: 'Stopped', isFault: false }
  return job?.problem ? { title: job.problem.title, isFault: true, detail: job.problem.detail ?? null } : null
}

/** Says why something was not done, and how things stand now. */
export function JobTrouble({ title, detail, isFault, after }: Trouble & { readonly after: string }) {
  return (
    <Box mb="3">
      <Note shape={isFault ? '▲' : '◆'} title={title}>
        {detail}
        <Text>{after}</Text>
      </Note>
    </Box>
  )
}
