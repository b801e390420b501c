import { filesReadSchema, type Job, jobSchema } from '@undo-ink/contracts'
import { type Request, type Response, Router } from 'express'
import type { Sequelize } from 'sequelize'
import { answer, idOf } from '../../http/answer.ts'
import { Refusal } from '../../http/problem.ts'
import { describeJob, endJob, findJob } from './store.ts'
import { WatchedJob } from './watch.ts'

/** Bytes that wait for one who watches. */
const MOST_UNSENT = 1_000_000

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
    const { id } = await getJob(idOf(req.params.id))
    await stream(req, res, id)
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
async function stream(req: Request, res: Response, id: string): Promise<void> {
  res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' })
  res.write(`retry: ${AGAIN}\n\n`)
  let seen = Math.max(0, Math.trunc(Number(req.get('Last-Event-ID'))) || 0)
  let shown = ''
  const watched = WatchedJob.enter(id)
  try {
    for (let look = await watched.now(); !res.destroyed; look = await watched.next()) {
      const { job, files } = look
      const first = files.findLastIndex(({ seq }) => seq <= seen) + 1
      seen = files.at(-1)?.seq ?? seen
      if (first < files.length)
        send(
          res,
          'files',
          filesReadSchema.parse(files.slice(first).map(({ path, places }) => ({ path, places }))),
          seen,
        )
      const now = JSON.stringify(jobSchema.parse(job))
      if (now !== shown) send(res, 'job', job, seen)
      shown = now
      if (job.state !== 'waiting' && job.state !== 'running') break
      // One who takes nothing is let go; when it does again, it goes on where it was.
      if (res.writableLength > MOST_UNSENT) res.destroy()
    }
    res.end()
  } finally {
    watched.leave()
  }
}

function send(res: Response, event: string, data: unknown, id: number): void {
  res.write(`event: ${event}\nid: ${id}\ndata: ${JSON.stringify(data)}\n\n`)
}
