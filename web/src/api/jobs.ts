import { type QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { type FilesRead, filesReadSchema, type Job, jobSchema, type Site, siteSchema } from '@undo-ink/contracts'
import { useEffect } from 'react'
import { ask, send } from './client.ts'
import { auditQuery, ledgerQuery } from './copies.ts'
import { siteQuery } from './sites.ts'

/** A job that waits or runs. */
export type ActiveJob = Job & { readonly state: 'waiting' | 'running' }

export function isActive(job: Job | null): job is ActiveJob {
  return job?.state === 'waiting' || job?.state === 'running'
}

const filesKey = (jobId: string) => ['job-files', jobId]

/** Keeps a site's job up to date as it is done, and what it has changed when it is over. A stream that is cut is taken up again by the browser. */
export function useWatchJob({ id: siteId, job, snapshot }: Site): void {
  const client = useQueryClient()
  const jobId = isActive(job) ? job.id : null
  const snapshotId = snapshot?.id ?? null
  useEffect(() => {
    if (jobId === null) return
    // A stream of its own tells every file from the first; one that is taken up again goes on.
    client.setQueryData<FilesRead>(filesKey(jobId), [])
    const events = new EventSource(`/api/jobs/${jobId}/events`)
    events.addEventListener('files', ({ data }: MessageEvent<string>) => {
      const files = filesReadSchema.parse(JSON.parse(data))
      client.setQueryData<FilesRead>(filesKey(jobId), (before) => [...(before ?? []), ...files])
    })
    events.addEventListener('job', ({ data }: MessageEvent<string>) => {
      const now = jobSchema.parse(JSON.parse(data))
      if (!isActive(now)) {
        events.close()
        void refresh(client, siteId, now.state === 'done' ? snapshotId : null)
        return
      }
      client.setQueryData(siteQuery(siteId).queryKey, (site) => (site ? { ...site, job: now } : site))
    })
    return () => events.close()
  }, [client, siteId, jobId, snapshotId])
}

/** First what the files hold, then that they are read: the screen never shows one without the other. */
async function refresh(client: QueryClient, siteId: string, changed: string | null): Promise<void> {
  if (changed !== null) {
    const queries = [auditQuery(changed), ledgerQuery(changed)]
    await Promise.all(queries.map(({ queryKey }) => client.refetchQueries({ queryKey })))
  }
  await client.refetchQueries({ queryKey: siteQuery(siteId).queryKey })
}

/** The files that a job has done, in the order in which they were done. */
export function useFilesRead(jobId: string): FilesRead {
  const { data } = useQuery<FilesRead>({ queryKey: filesKey(jobId), queryFn: () => [], enabled: false })
  return data ?? NONE
}

const NONE: FilesRead = []

/** Stops a job: it leaves everything as it was before. */
export function useStopJob() {
  return useMutation({ mutationFn: (job: Job) => ask(jobSchema, `/jobs/${job.id}/cancel`, send({})) })
}

/** Has the files of a copy read. */
export function useReadFiles(siteId: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: () => ask(siteSchema, `/sites/${siteId}/audit`, send({})),
    onSuccess: (site) => client.setQueryData(siteQuery(siteId).queryKey, site),
  })
}
