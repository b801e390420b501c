import { type ChildProcess, fork } from 'node:child_process'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { connect } from '../src/db/connect.ts'
import { BlobRow, FileRow, JobRow, ReadingRow, SnapshotRow } from '../src/db/models.ts'
import { WatchedJob } from '../src/features/jobs/watch.ts'
import { type Harness, makeDatabase, makeSite, placesOf, siteWith, startServer, whenDone, zipOf } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const sheets = (count: number, rules = 1) =>
  Object.fromEntries(
    Array.from({ length: count }, (_, i) => [`s${i}.css`, `a${i} { color: #${String(100_000 + i)} } `.repeat(rules)]),
  )

/** Sends a copy and gives the id of its job without waiting for it. */
async function send(siteId: string, files: Record<string, string>): Promise<string> {
  const { body } = await harness.http
    .post(`/api/sites/${siteId}/copy`)
    .attach('zip', await zipOf(files), 'site.zip')
    .expect(202)
  return body.job.id
}

interface Told {
  readonly event: string
  readonly id: string
  readonly data: unknown
}

/** What an event stream tells behind an event, until it ends or enough has come. */
async function listen(jobId: string, after: string, enough: (told: readonly Told[]) => boolean): Promise<Told[]> {
  const stop = new AbortController()
  const answer = await fetch(`http://127.0.0.1:${harness.port}/api/jobs/${jobId}/events`, {
    headers: { 'Last-Event-ID': after },
    signal: stop.signal,
  })
  const told: Told[] = []
  let rest = ''
  for await (const piece of (answer.body as ReadableStream<Uint8Array>).pipeThrough(new TextDecoderStream())) {
    const blocks = (rest + piece).split('\n\n')
    rest = blocks.pop() ?? ''
    for (const block of blocks) {
      const field = (name: string) => new RegExp(`^${name}: (.*)$`, 'm').exec(block)?.[1] ?? ''
      if (field('event')) told.push({ event: field('event'), id: field('id'), data: JSON.parse(field('data')) })
    }
    if (enough(told)) break
  }
  stop.abort()
  return told
}

const paths = (told: readonly Told[]) =>
  told
    .filter(({ event }) => event === 'files')
    .flatMap(({ data }) => (data as { path: string }[]).map(({ path }) => path))

describe('a job', () => {
  it('tells its files as they are done; a stream that was cut goes on where it was', async () => {
    const siteId = await makeSite(harness, 'Told')
    const jobId = await send(siteId, sheets(120, 30))
    const first = await listen(jobId, '', (told) => paths(told).length > 0)
    const rest = await listen(jobId, first.at(-1)?.id ?? '', () => false)
    const all = [...paths(first), ...paths(rest)]
    expect(new Set(all).size).toBe(all.length)
    expect(all.length).toBeGreaterThan(60)
    expect(rest.at(-1)).toMatchObject({ event: 'job', data: { state: 'done', problem: null } })
    const { snapshot, job } = await whenDone(harness, siteId)
    expect([snapshot.read, job]).toEqual([true, null])
    expect(await placesOf(harness, snapshot.id)).toHaveLength(120 * 30)
  })

  it('is looked at once for all who watch it, and told to each', async () => {
    const siteId = await makeSite(harness, 'Watched')
    const jobId = await send(siteId, sheets(40, 31))
    const told = await Promise.all(Array.from({ length: 30 }, () => listen(jobId, '', () => false)))
    for (const each of told) expect(each.at(-1)).toMatchObject({ event: 'job', data: { state: 'done' } })
    const [one, other] = [WatchedJob.enter(jobId), WatchedJob.enter(jobId)]
    expect(other).toBe(one)
    const look = one.next()
    expect(other.next()).toBe(look)
    expect((await look).job.state).toBe('done')
    for (const each of [one, other]) each.leave()
    expect(WatchedJob.enter(jobId)).not.toBe(one)
  })

  it('that is stopped leaves nothing, and the copy can be sent again', async () => {
    const siteId = await makeSite(harness, 'Stopped')
    const files = Object.fromEntries(Object.entries(sheets(150, 40)).map(([path, text]) => [path, `/* 1 */${text}`]))
    const jobId = await send(siteId, files)
    await listen(jobId, '', (told) => paths(told).length > 0)
    const { body } = await harness.http.post(`/api/jobs/${jobId}/cancel`).expect(200)
    expect(body.state).toBe('cancelled')
    const { job, snapshot } = await whenDone(harness, siteId)
    expect([job.state, snapshot]).toEqual(['cancelled', null])
    while ((await BlobRow.count({ where: { sha256: await hashes(files) } })) > 0) await wait(20)
    expect(await ReadingRow.count({ where: { sha256: await hashes(files) } })).toBe(0)
    await send(siteId, files)
    expect((await whenDone(harness, siteId)).snapshot.files).toHaveLength(150)
    // Over is over: a job that is done stays done.
    expect((await harness.http.post(`/api/jobs/${jobId}/cancel`)).body.state).toBe('cancelled')
  })

  it('is the only one of its site', async () => {
    const siteId = await makeSite(harness, 'Busy')
    await send(siteId, sheets(60, 20))
    const again = await harness.http.post(`/api/sites/${siteId}/copy`).attach('zip', await zipOf(sheets(1)), 'site.zip')
    expect([again.status, again.body.code]).toEqual([409, 'busy'])
    await whenDone(harness, siteId)
  })

  it('that takes files in reads those alone, and changes nothing when it is stopped', async () => {
    const { siteId, files, snapshotId } = await siteWith(harness, 'Some', {
      'a.css': 'a{color:tan}',
      'vendor/b.css': 'b{color:#abc}',
    })
    const vendor = files.find((file: FileRow) => file.path === 'vendor/b.css')
    await harness.sequelize.query(
      "UPDATE readings SET places = 7 WHERE path = 'a.css' AND sha256 IN (SELECT sha256 FROM files WHERE snapshot_id = $1)",
      { bind: [snapshotId] },
    )
    const { body } = await harness.http
      .put(`/api/sites/${siteId}/choice`)
      .send({ files: [vendor.id], choice: 'take-in' })
      .expect(202)
    const told = await listen(body.job.id, '', () => false)
    expect((await placesOf(harness, snapshotId)).map(({ path }) => path)).toEqual(['a.css', 'vendor/b.css'])
    // The mark shows that what had been read of a.css was taken as it was.
    expect(told.at(-1)).toMatchObject({ data: { places: 8 } })

    const job = await harness.http
      .put(`/api/sites/${siteId}/choice`)
      .send({ files: [vendor.id], choice: null })
      .expect(202)
    await harness.http.post(`/api/jobs/${job.body.job.id}/cancel`)
    const { state } = (await harness.http.get(`/api/jobs/${job.body.job.id}`)).body
    const row = await FileRow.findByPk(vendor.id, { rejectOnEmpty: true })
    expect(row.choice).toBe(state === 'cancelled' ? 'take-in' : null)
  })

  it('recognises files that another copy holds, byte for byte', async () => {
    const files = { 'a.css': '/* twin */ a{color:tan}', 'b.css': 'b{color:#abc}' }
    const one = await siteWith(harness, 'Twin one', files)
    const blobs = await BlobRow.count()
    const two = await siteWith(harness, 'Twin two', files)
    expect(await BlobRow.count()).toBe(blobs)
    const { body } = await harness.http.get(`/api/sites/${two.siteId}`)
    expect(body.snapshot.sameAs).toMatchObject([{ siteId: one.siteId, name: 'Twin one' }])
    const other = await siteWith(harness, 'No twin', { ...files, 'b.css': 'b{color:#abd}' })
    expect((await harness.http.get(`/api/sites/${other.siteId}`)).body.snapshot.sameAs).toEqual([])
  })
})

/** More than a server reads while another starts. */
const FILES = 300
const RULES = 100

describe('a server that is killed in the middle of a job', () => {
  it('has it done by another within 30 seconds, and nothing half-done is shown until then', async () => {
    const databaseUrl = await makeDatabase()
    const victim = await startChild(databaseUrl)
    const post = (path: string, body: FormData | string) =>
      fetch(`${victim.url}/api${path}`, {
        method: 'POST',
        body,
        ...(typeof body === 'string' ? { headers: { 'Content-Type': 'application/json' } } : {}),
      }).then((answer) => answer.json() as Promise<{ id: string; job: { id: string } }>)
    const { id: siteId } = await post('/sites', '{"name":"Killed"}')
    const form = new FormData()
    form.append('zip', new Blob([new Uint8Array(await zipOf(sheets(FILES, RULES)))]), 'site.zip')
    await post(`/sites/${siteId}/copy`, form)
    const job = () => JobRow.findOne({ where: { siteId }, rejectOnEmpty: true })
    const watching = await connect(databaseUrl)
    while ((await job()).filesDone === 0) await wait(5)
    await watching.close()
    // Only now, so that the job is the victim's.
    const survivor = await startServer({ databaseUrl })
    try {
      victim.child.kill('SIGKILL')
      const killedAt = Date.now()
      expect((await job()).state).toBe('running')
      expect(await SnapshotRow.count({ where: { siteId } })).toBe(0)
      const site = await whenDone(survivor, siteId)
      expect(site.job).toBeNull()
      expect(Date.now() - killedAt).toBeLessThan(30_000)
      expect(await placesOf(survivor, site.snapshot.id)).toHaveLength(FILES * RULES)
    } finally {
      await survivor.stop()
    }
  })
})

async function startChild(databaseUrl: string): Promise<{ child: ChildProcess; url: string }> {
  const child = fork(join(import.meta.dirname, '../src/main.ts'), {
    execArgv: ['--import', 'tsx'],
    env: { ...process.env, DATABASE_URL: databaseUrl, PORT: '0', LOG_LEVEL: 'silent' },
  })
  const port = await new Promise<number>((resolve, reject) => {
    child.once('message', (message) => resolve((message as { listening: number }).listening))
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
  return { child, url: `http://127.0.0.1:${port}` }
}

async function hashes(files: Record<string, string>): Promise<string[]> {
  const { createHash } = await import('node:crypto')
  return Object.values(files).map((text) => createHash('sha256').update(text).digest('hex'))
}
