import { randomBytes } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { BlobRow, FileRow, JobRow, UploadChunkRow, UploadFileRow } from '../src/db/models.ts'
import { type Harness, makeSite, startServer, whenDone, zipOf } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const MEGABYTE = 1024 * 1024

/** Sends files as a browser sends a folder, and gives the site when they are read. */
async function sendFolder(name: string, files: Readonly<Record<string, Buffer>>) {
  const siteId = await makeSite(harness, name)
  const form = new FormData()
  for (const [path, bytes] of Object.entries(files)) form.append('files', new Blob([new Uint8Array(bytes)]), path)
  const url = `http://127.0.0.1:${harness.port}/api/sites/${siteId}/copy`
  expect((await fetch(url, { method: 'POST', body: form })).status).toBe(202)
  return whenDone(harness, siteId)
}

async function bytesOf(snapshotId: string, path: string): Promise<Buffer> {
  const { sha256 } = await FileRow.findOne({ where: { snapshotId, path }, rejectOnEmpty: true })
  return (await BlobRow.findByPk(sha256 as string, { rejectOnEmpty: true })).bytes
}

describe('an upload that waits to be read', () => {
  it('comes out of its pieces byte for byte, many small files and large ones alike', async () => {
    const files: Record<string, Buffer> = {
      's/film.bin': randomBytes(3 * MEGABYTE + 17),
      's/one.bin': randomBytes(MEGABYTE),
      's/empty.css': Buffer.alloc(0),
    }
    for (let i = 0; i < 450; i++) files[`s/many/${i}.bin`] = randomBytes(i % 7)
    const { snapshot } = await sendFolder('Pieces', files)
    expect(snapshot.files).toHaveLength(453)
    for (const path of [
      'film.bin',
      'one.bin',
      'empty.css',
      'many/0.bin',
      'many/199.bin',
      'many/200.bin',
      'many/449.bin',
    ])
      expect((await bytesOf(snapshot.id, path)).equals(files[`s/${path}`] as Buffer), path).toBe(true)
  })

  it('may be an archive of several pieces', async () => {
    const siteId = await makeSite(harness, 'Archive')
    const film = randomBytes(2 * MEGABYTE + 5)
    const zip = await zipOf({ 'a.css': 'a{color:tan}', 'film.bin': film })
    expect(zip.length).toBeGreaterThan(2 * MEGABYTE)
    await harness.http.post(`/api/sites/${siteId}/copy`).attach('zip', zip, 'site.zip').expect(202)
    const { snapshot } = await whenDone(harness, siteId)
    expect((await bytesOf(snapshot.id, 'film.bin')).equals(film)).toBe(true)
  })

  it('is thrown away when its job is over, whatever came of it', async () => {
    const siteId = await makeSite(harness, 'Thrown away')
    await harness.http
      .post(`/api/sites/${siteId}/copy`)
      .attach('zip', Buffer.from('no archive'), 'site.zip')
      .expect(202)
    expect((await whenDone(harness, siteId)).job.state).toBe('failed')
    await sendFolder('Kept', { 's/a.css': Buffer.from('a{color:tan}') })
    expect(await UploadFileRow.count()).toBe(0)
    expect(await UploadChunkRow.count()).toBe(0)
  })
})

describe('a job that the queue has given up', () => {
  it('is told as failed, and the site can be sent again', async () => {
    const siteId = await makeSite(harness, 'Given up')
    // As a third process would leave it that died with the job.
    const job = {
      id: '00000000-0000-4000-8000-00000000d1ed',
      siteId,
      kind: 'intake',
      payload: { kind: 'zip' },
    } as const
    await JobRow.create({ ...job, state: 'running', createdAt: new Date() })
    const { job: told } = await whenDone(harness, siteId)
    expect([told.state, told.problem.code]).toEqual(['failed', 'internal'])
    expect(told.problem.title).toContain('ended each time')
    await harness.http
      .post(`/api/sites/${siteId}/copy`)
      .attach('zip', await zipOf({ 'a.css': 'a{color:tan}' }), 'site.zip')
      .expect(202)
    expect((await whenDone(harness, siteId)).job).toBeNull()
  })
})

describe('what is stored packed', () => {
  it('is sent as it is to whoever takes it so, and unpacked to others', async () => {
    const { snapshot } = await sendFolder('Packed', { 's/a.css': Buffer.from('a{color:tan}') })
    const get = (encoding: string) =>
      fetch(`http://127.0.0.1:${harness.port}/api/snapshots/${snapshot.id}/ledger`, {
        headers: { 'Accept-Encoding': encoding },
      })
    const [packed, plain] = [await get('gzip'), await get('identity')]
    expect([packed.headers.get('content-encoding'), plain.headers.get('content-encoding')]).toEqual(['gzip', null])
    expect(Buffer.from(await packed.arrayBuffer()).equals(Buffer.from(await plain.arrayBuffer()))).toBe(true)
  })
})

describe('the bytes of a file', () => {
  it('are given of images alone, and never as what a browser would show', async () => {
    const drawing = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')
    const { snapshot } = await sendFolder('Images', { 's/a.svg': drawing, 's/a.html': Buffer.from('<p>') })
    const answer = (path: string) => {
      const file = snapshot.files.find((each: { path: string }) => each.path === path)
      return fetch(`http://127.0.0.1:${harness.port}/api/files/${file?.id}/bytes`)
    }
    const image = await answer('a.svg')
    expect(Buffer.from(await image.arrayBuffer())).toEqual(drawing)
    expect(image.headers.get('content-type')).toBe('application/octet-stream')
    expect(image.headers.get('content-security-policy')).toBe("default-src 'none'; sandbox")
    expect(image.headers.get('x-content-type-options')).toBe('nosniff')
    expect((await answer('a.html')).status).toBe(404)
  })
})
