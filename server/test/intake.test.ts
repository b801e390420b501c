import { createHash } from 'node:crypto'
import type { SiteFile } from '@undo-ink/contracts'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { BlobRow, FileRow, SnapshotRow } from '../src/db/models.ts'
import { type Harness, makeSite, placesOf, siteWith, startServer, whenDone, zipOf } from './harness.ts'
import { rawZip } from './raw-zip.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const CSS = 'a { color: #7a2433 }\r\n'

describe('a copy that is taken in', () => {
  it('keeps every byte, lists every file, and says why one is not read', async () => {
    const binary = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3])
    const { snapshotId, files } = await siteWith(harness, 'All sorts', {
      'site/css/a.css': CSS,
      'site/css/fake.css': binary,
      'site/css/empty.css': '',
      'site/img/logo.png': binary,
      'site/img/icon.svg': '<svg/>',
      'site/latin.css': Buffer.from([0x61, 0x7b, 0x7d, 0xe9]),
      'site/marked.css': Buffer.from('\uFEFFa{color:red}'),
      'site/index.html': '<p>',
      '__MACOSX/site/._a.css': 'x',
    })
    expect(files.map((f: FileRow) => [f.path, f.syntax, f.encoding, f.skipped])).toEqual([
      ['css/a.css', 'css', 'utf-8', null],
      ['css/empty.css', 'css', null, 'empty'],
      ['css/fake.css', 'css', null, 'binary'],
      ['img/icon.svg', 'svg', 'utf-8', null],
      ['img/logo.png', 'image', null, 'no-colors-here'],
      ['index.html', 'html', 'utf-8', null],
      ['latin.css', 'css', 'windows-1252', null],
      ['marked.css', 'css', 'utf-8-bom', null],
    ])
    const stored = await FileRow.findOne({ where: { snapshotId, path: 'css/a.css' }, rejectOnEmpty: true })
    expect(stored.sha256).toBe(createHash('sha256').update(CSS).digest('hex'))
    const blob = await BlobRow.findByPk(stored.sha256 as string, { rejectOnEmpty: true })
    expect(blob.bytes.toString()).toBe(CSS)
  })

  it('may be a folder, its names in any language', async () => {
    const siteId = await makeSite(harness, 'Folder')
    const body = await sendFolder(siteId, [
      ['www/stile/größe.css', CSS],
      ['www/index.html', '<p>'],
    ])
    expect(body.snapshot.files.map((f: FileRow) => f.path)).toEqual(['index.html', 'stile/größe.css'])
  })

  it('has its third-party code left out until it is taken in, and a generated copy read until it is set aside', async () => {
    const { siteId, snapshotId, files } = await siteWith(harness, 'Choices', {
      'css/a.css': CSS,
      'css/a.scss': CSS,
      'vendor/x.css': CSS,
    })
    const about = (some: SiteFile[]) => some.map((f) => [f.path, f.skipped, f.thirdParty, f.generatedFrom])
    const places = async () => (await placesOf(harness, snapshotId)).map(({ path }) => path)
    expect(about(files)).toEqual([
      ['css/a.css', null, null, 'css/a.scss'],
      ['css/a.scss', null, null, null],
      ['vendor/x.css', 'third-party', 'vendor-folder', null],
    ])
    expect(await places()).toEqual(['css/a.css', 'css/a.scss'])
    const choose = async (path: string, choice: string | null) => {
      const id = files.find((f: FileRow) => f.path === path)?.id
      await harness.http
        .put(`/api/sites/${siteId}/choice`)
        .send({ files: [id], choice })
        .expect(202)
      return whenDone(harness, siteId)
    }
    await choose('vendor/x.css', 'take-in')
    const body = await choose('css/a.css', 'set-aside')
    expect(about(body.snapshot.files).map(([path, skipped]) => [path, skipped])).toEqual([
      ['css/a.css', 'set-aside'],
      ['css/a.scss', null],
      ['vendor/x.css', null],
    ])
    expect(await places()).toEqual(['css/a.scss', 'vendor/x.css'])
    await choose('vendor/x.css', null)
    await choose('css/a.css', null)
    expect(await places()).toEqual(['css/a.css', 'css/a.scss'])
    const stranger = await harness.http
      .put(`/api/sites/${siteId}/choice`)
      .send({ files: ['00000000-0000-4000-8000-000000000000'], choice: 'take-in' })
    expect(stranger.status).toBe(404)
  })

  it('never changes: its bytes cannot be overwritten, and it is taken in once', async () => {
    const { siteId } = await siteWith(harness, 'Once', { 'a.css': CSS })
    await expect(BlobRow.update({ bytes: Buffer.from('x') }, { where: {} })).rejects.toThrow('never changes')
    const again = harness.http
      .post(`/api/sites/${siteId}/copy`)
      .attach('zip', await zipOf({ 'b.css': CSS }), 'site.zip')
    expect((await again.expect(409)).body.code).toBe('copy-exists')
    expect(await SnapshotRow.count({ where: { siteId } })).toBe(1)
  })
})

/** Sends an archive, and gives the site when that is done. */
async function sendZip(siteId: string, zip: Buffer) {
  await harness.http.post(`/api/sites/${siteId}/copy`).attach('zip', zip, 'site.zip').expect(202)
  return whenDone(harness, siteId)
}

/** Sends files under their paths, as a browser sends a folder. */
async function sendFolder(siteId: string, files: readonly (readonly [string, string])[]) {
  const form = new FormData()
  for (const [path, content] of files) form.append('files', new Blob([content]), path)
  const answer = await fetch(`http://127.0.0.1:${harness.port}/api/sites/${siteId}/copy`, {
    method: 'POST',
    body: form,
  })
  expect(answer.status).toBe(202)
  return whenDone(harness, siteId)
}

describe('what is refused', () => {
  const cases: [string, string, () => Promise<Buffer> | Buffer][] = [
    ['no ZIP at all', 'not-a-zip', () => Buffer.from('this is no archive')],
    ['a ZIP with its end cut off', 'not-a-zip', async () => (await zipOf({ 'a.css': CSS.repeat(99) })).subarray(0, 60)],
    ['a ZIP with other bytes than it promised', 'damaged-zip', () => rawZip([{ name: 'a.css', text: CSS, crc: 1 }])],
    [
      'a ZIP that lies about a size',
      'damaged-zip',
      () => rawZip([{ name: 'a.css', text: Buffer.alloc(100_000), size: 10 }]),
    ],
    ['a path with ..', 'unsafe-path', () => rawZip([{ name: '../../etc/a.css', text: Buffer.from(CSS) }])],
    ['an absolute path', 'unsafe-path', () => rawZip([{ name: '/etc/a.css', text: Buffer.from(CSS) }])],
    ['a path with .. by backslash', 'unsafe-path', () => rawZip([{ name: '..\\a.css', text: Buffer.from(CSS) }])],
    ['a drive letter', 'unsafe-path', () => rawZip([{ name: 'C:/a.css', text: Buffer.from(CSS) }])],
    [
      'a link',
      'unsafe-path',
      () => rawZip([{ name: 'a.css', text: '/etc/passwd', attributes: (0o120777 << 16) >>> 0 }]),
    ],
    ['a password', 'encrypted-zip', () => rawZip([{ name: 'a.css', text: CSS, flags: 0x801 }])],
    ['far more than it weighs', 'unpacks-too-large', () => zipOf({ 'a.css': Buffer.alloc(40 * 1024 * 1024) })],
    ['nothing', 'no-files', () => zipOf({})],
    ['folders only', 'no-files', () => zipOf({ '__MACOSX/x': 'x' })],
  ]

  it.each(cases)('%s: %s', async (name, code, make) => {
    const siteId = await makeSite(harness, `Refused ${name}`)
    const { job, snapshot } = await sendZip(siteId, await make())
    expect([job.state, job.problem.code, snapshot]).toEqual(['failed', code, null])
    expect(await SnapshotRow.count({ where: { siteId } })).toBe(0)
  })

  it('leaves nothing half-stored when a later file of an archive is damaged', async () => {
    const siteId = await makeSite(harness, 'Half')
    const good = await zipOf({ 'a.css': 'b{color:#abcdef}', 'z.css': 'y'.repeat(5000) })
    const damaged = Buffer.from(good)
    const second = damaged.indexOf('z.css') + 5
    damaged[second + 3] = (damaged[second + 3] ?? 0) ^ 0xff
    expect((await sendZip(siteId, damaged)).job.problem.code).toBe('damaged-zip')
    expect(await SnapshotRow.count({ where: { siteId } })).toBe(0)
    const hash = createHash('sha256').update('b{color:#abcdef}').digest('hex')
    expect(await BlobRow.findByPk(hash)).toBeNull()
    expect((await sendZip(siteId, good)).job).toBeNull()
  })

  it('the same path twice in a folder, and a folder without files', async () => {
    const siteId = await makeSite(harness, 'Twice')
    const twice = await sendFolder(siteId, [
      ['x/a.css', 'a'],
      ['x/a.css', 'b'],
    ])
    expect(twice.job.problem.code).toBe('same-path-twice')
    const none = await harness.http.post(`/api/sites/${siteId}/copy`).field('x', '1')
    expect(none.status).toBeGreaterThanOrEqual(400)
  })

  it('a file over the limit is listed, not kept, and the rest comes in', async () => {
    const { files } = await siteWith(harness, 'Large', {
      'a.css': CSS,
      // Half of it is noise, so that the archive is no bomb.
      'film.mp4': Buffer.concat([Buffer.alloc(17 * 1024 * 1024), noise(17 * 1024 * 1024)]),
    })
    expect(files.map((f: FileRow) => [f.path, f.skipped, f.sha256 === null])).toEqual([
      ['a.css', null, false],
      ['film.mp4', 'too-large', true],
    ])
  })
})

function noise(length: number): Buffer {
  const bytes = Buffer.alloc(length)
  let state = 1
  for (let i = 0; i < length; i += 4) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    bytes.writeUInt32LE(state, i)
  }
  return bytes
}

describe('sites', () => {
  it('have names of their own, and say how far their work is', async () => {
    await siteWith(harness, 'Named', { 'a.css': CSS })
    const taken = await harness.http.post('/api/sites').send({ name: ' named ' })
    expect([taken.status, taken.body.code]).toEqual([409, 'conflict'])
    const empty = await harness.http.post('/api/sites').send({ name: '  ' })
    expect([empty.status, empty.body.code]).toEqual([400, 'bad-request'])
    const { sites: body } = (await harness.http.get('/api/sites').expect(200)).body
    expect(body.find((site: { name: string }) => site.name === 'Named')).toMatchObject({
      files: 1,
      places: 1,
      decided: 0,
      lead: ['#7a2433'],
    })
  })
})
