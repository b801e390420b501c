import { filesReadSchema, type Job, jobSchema } from '@undo-ink/contracts'
import { type Request, type Response, Router } from 'express'
import type { Sequelize } from 'sequelize'
import { answer, idOf } from '../../http/answer.ts'
import { Refusal } from '../../http/problem.ts'
import { describeJob, endJob, findJob, listJobFiles } from './store.ts'

/** Milliseconds between two looks at a job that is watched. Looking needs no connection that could be lost unseen. */
const EVERY = 200

/** Milliseconds after which a browser that lost the stream asks for it again. */
const AGAIN = 1_000

export function jobRoutes(sequelize: Sequelize): Router {
  const router = Router()
  router.get('/jobs/:id', async (req, res) => {
    answer(res, jobSchema, await getJob(idOf(req.params.id)))
  })
  router.post('/jobs/:id/cancel', async (req, res) => {
    const { id } = await getJob(idOf(req.params.id))
    await sequelize.transaction((transaction) => endJob(id, { state: 'cancelled' }, transaction))
    answer(res, jobSchema, await getJob(id))
  })
  router.get('/jobs/:id/events', async (req, res) => {
    await stream(req, res, await getJob(idOf(req.params.id)))
  })
  return router
}

async function getJob(id: string): Promise<Job> {
  const row = await findJob(id)
  if (!row) throw new Refusal('not-found', 'There is no such work')
  return describeJob(row)
}

/**
 * Server-sent events until the job is over: `files` for what was done, `job` whenever it moved. A stream that was cut goes on behind
 * the last event that arrived.
 */
async function stream(req: Request, res: Response, first: Job): Promise<void> {
  res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' })
  res.write(`retry: ${AGAIN}\n\n`)
  let seen = Math.max(0, Math.trunc(Number(req.get('Last-Event-ID'))) || 0)
  let shown = ''
  for (let job = first; !res.destroyed; job = await getJob(first.id)) {
    const files = await listJobFiles(job.id, seen)
    seen = files.at(-1)?.seq ?? seen
    if (files.length > 0)
      send(res, 'files', filesReadSchema.parse(files.map(({ path, places }) => ({ path, places }))), seen)
    const now = JSON.stringify(jobSchema.parse(job))
    if (now !== shown) send(res, 'job', job, seen)
    shown = now
    if (job.state !== 'waiting' && job.state !== 'running') break
    await new Promise((resolve) => setTimeout(resolve, EVERY))
  }
  res.end()
}

function send(res: Response, event: string, data: unknown, id: number): void {
  res.write(`event: ${event}\nid: ${id}\ndata: ${JSON.stringify(data)}\n\n`)
}
