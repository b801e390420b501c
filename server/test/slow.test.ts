import { randomBytes } from 'node:crypto'
import { connect } from 'node:net'
import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { JobRow } from '../src/db/models.ts'
import { type Harness, makeSite, siteWith, startServer } from './harness.ts'
import { answerOf, beginUpload, folders, problem } from './raw-upload.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer({ uploads: { most: 2, patience: 60_000, leastBytes: 1000 } })
})
afterAll(() => harness.stop())

it('a client that leaves in the middle of an upload leaves nothing', async () => {
  const siteId = await makeSite(harness, 'Left')
  const before = await folders()
  const socket = await beginUpload(harness, siteId)
  await vi.waitFor(async () => expect(await folders()).not.toEqual(before), { timeout: 5000 })
  socket.destroy()
  await vi.waitFor(async () => expect(await folders()).toEqual(before), { timeout: 5000 })
  expect(await JobRow.count({ where: { siteId } })).toBe(0)
})

it('no more than some copies come in at once, and one of a site', async () => {
  const [one, two, three] = [
    await makeSite(harness, 'U1'),
    await makeSite(harness, 'U2'),
    await makeSite(harness, 'U3'),
  ]
  const before = (await folders()).length
  const sockets = [await beginUpload(harness, one), await beginUpload(harness, two)]
  await vi.waitFor(async () => expect((await folders()).length).toBe(before + 2), { timeout: 5000 })
  for (const site of [one, three]) {
    const late = await beginUpload(harness, site)
    expect(problem(await answerOf(late)).code).toBe('busy')
    late.destroy()
  }
  for (const socket of sockets) socket.destroy()
})

it('what would be refused in the end is refused before its bytes come', async () => {
  const { siteId } = await siteWith(harness, 'Has one', { 'a.css': 'a{color:tan}' })
  const socket = await beginUpload(harness, siteId)
  expect(problem(await answerOf(socket)).code).toBe('copy-exists')
  socket.destroy()
})

it('a client that leaves in the middle of a download, or takes nothing of it, keeps no thread', async () => {
  // More than the sockets of both sides hold, and nothing that a ZIP makes smaller.
  const css = () => `a{color:#7a2433}/*${randomBytes(500_000).toString('base64')}*/`
  const files = Object.fromEntries(Array.from({ length: 20 }, (_, i) => [`${i}.css`, css()]))
  const { planId } = await siteWith(harness, 'Download', files)
  const decide = { decisions: [{ id: crypto.randomUUID(), target: { colors: ['#7a2433'] }, to: { kind: 'keep' } }] }
  await harness.http
    .post(`/api/plans/${planId}/events`)
    .send({ id: crypto.randomUUID(), version: 0, event: { kind: 'decide', ...decide } })
    .expect(201)
  const bytesOf = vi.spyOn(harness.writer, 'bytesOf')
  const get = async () => {
    const socket = connect(harness.port, '127.0.0.1')
    socket.on('error', () => {})
    socket.pause()
    await new Promise<void>((resolve) =>
      socket.write(`GET /api/plans/${planId}/copy.zip HTTP/1.1\r\nHost: 127.0.0.1:${harness.port}\r\n\r\n`, () =>
        resolve(),
      ),
    )
    return socket
  }
  const slow = [await get(), await get(), await get()]
  await vi.waitFor(() => expect(bytesOf.mock.calls.length).toBeGreaterThan(0))
  slow[0]?.destroy()
  // Others are served as ever, with two who take nothing and one who is gone.
  const begun = bytesOf.mock.calls.length
  const { body } = await harness.http
    .get(`/api/plans/${planId}/copy.zip`)
    .buffer()
    .parse((res, done) => {
      const chunks: Buffer[] = []
      res.on('data', (chunk) => chunks.push(chunk))
      res.on('end', () => done(null, Buffer.concat(chunks)))
    })
  expect(body.subarray(0, 2).toString()).toBe('PK')
  // For those who take nothing, nothing more is written than what fits between.
  expect(bytesOf.mock.calls.length - begun).toBeLessThan(3 * 20)
  for (const socket of slow) socket.destroy()
  bytesOf.mockRestore()
})
