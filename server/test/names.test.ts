import { afterAll, beforeAll, expect, it } from 'vitest'
import { type Harness, makeSite, startServer, whenDone } from './harness.ts'
import { rawZip } from './raw-zip.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

/** `ソ表.css`, the trail bytes of which are those of a backslash, in a folder `色`. */
const NAME = Buffer.from([0x90, 0x46, 0x2f, 0x83, 0x5c, 0x95, 0x5c, 0x2e, 0x63, 0x73, 0x73])

async function send(name: string, zip: Buffer, query = '') {
  const siteId = await makeSite(harness, name)
  await harness.http.post(`/api/sites/${siteId}/copy${query}`).attach('zip', zip, 'site.zip').expect(202)
  return whenDone(harness, siteId)
}

async function copyOf(planId: string): Promise<Buffer> {
  const answer = await fetch(`http://127.0.0.1:${harness.port}/api/plans/${planId}/copy.zip`)
  return Buffer.from(await answer.arrayBuffer())
}

it('names of an archive in an old encoding are read as what they are, said, and come back out as they were', async () => {
  const zip = rawZip([
    { name: Buffer.concat([Buffer.from('site/'), NAME]), text: 'a{color:tan}', flags: 0 },
    { name: Buffer.from('site/index.html'), text: '<p>', flags: 0 },
  ])
  const { snapshot } = await send('Old names', zip)
  expect(snapshot.files.map(({ path }: { path: string }) => path)).toEqual(['index.html', '色/ソ表.css'])
  expect(snapshot.names).toEqual({ encoding: 'shift_jis', files: 1 })
  const copy = await copyOf(snapshot.planId)
  // In the header beside its data and in the directory, each without the flag that says UTF-8.
  const [one, two] = [copy.indexOf(NAME), copy.lastIndexOf(NAME)]
  expect(one).toBeGreaterThan(0)
  expect(two).toBeGreaterThan(one)
  expect(copy.readUInt16LE(one - 30 + 6) & 0x800).toBe(0)
  expect(copy.readUInt16LE(two - 46 + 8) & 0x800).toBe(0)
  // Taken in again, it is the same copy.
  expect((await send('Old names again', copy)).snapshot.digest).toBe(snapshot.digest)
})

it('they are read otherwise where somebody says so', async () => {
  const zip = rawZip([
    { name: Buffer.from([0x67, 0x72, 0x94, 0xe1, 0x65, 0x2e, 0x63, 0x73, 0x73]), text: 'a{}', flags: 0 },
  ])
  const paths = async (name: string, query: string) =>
    (await send(name, zip, query)).snapshot.files.map(({ path }: { path: string }) => path)
  expect(await paths('Likely', '')).toEqual(['größe.css'])
  expect(await paths('Chosen', '?names=ibm866')).toEqual(['grФсe.css'])
  await harness.http.post(`/api/sites/${await makeSite(harness, 'Unknown')}/copy?names=klingon`).expect(400)
})

it('names of a folder come as they are on its disk; one that cannot be kept leaves out that file alone', async () => {
  const siteId = await makeSite(harness, 'Odd names')
  const form = new FormData()
  const names = ['s/a\\b.css', 's/q"%22.css', 's/bell\u0007.css', `s/${'x'.repeat(600)}.css`, 's/index.html']
  for (const name of names) form.append('files', new Blob([`a{color:tan}`]), encodeURIComponent(name))
  await fetch(`http://127.0.0.1:${harness.port}/api/sites/${siteId}/copy`, { method: 'POST', body: form })
  const { snapshot, job } = await whenDone(harness, siteId)
  expect(job).toBeNull()
  const told = snapshot.files.map(({ path, skipped }: { path: string; skipped: string | null }) => [
    path.slice(0, 12),
    skipped,
  ])
  expect(told).toEqual([
    ['a\\b.css', null],
    ['bell\u0007.css', 'name-unsafe'],
    ['index.html', null],
    ['q"%22.css', null],
    ['xxxxxxxxxxxx', 'name-too-long'],
  ])
  const copy = await copyOf(snapshot.planId)
  for (const name of ['a\\b.css', 'q"%22.css']) expect(copy.includes(name), name).toBe(true)
})

it('a name with a NUL is refused, and so many and long names that nobody reads them hold nobody up', async () => {
  const form = new FormData()
  form.append('files', new Blob(['x']), 'a%00.css')
  const url = `http://127.0.0.1:${harness.port}/api/sites/${await makeSite(harness, 'NUL')}/copy`
  const refused = await fetch(url, { method: 'POST', body: form })
  expect([refused.status, ((await refused.json()) as { code: string }).code]).toEqual([422, 'unsafe-path'])
  const root = Buffer.alloc(60, Buffer.from([0x83, 0x5c]))
  const long = (i: number) =>
    Buffer.concat([root, Buffer.from(`/${i}`), Buffer.alloc(60_000, Buffer.from([0x83, 0x5c]))])
  const { snapshot } = await send(
    'Long names',
    rawZip([
      ...Array.from({ length: 60 }, (_, i) => ({ name: long(i), text: 'x', flags: 0 })),
      { name: Buffer.concat([root, Buffer.from('/a.css')]), text: 'a{color:tan}', flags: 0 },
    ]),
    '?names=shift_jis',
  )
  expect(snapshot.files.filter(({ skipped }: { skipped: string }) => skipped === 'name-too-long')).toHaveLength(60)
  expect(snapshot.files.find(({ path }: { path: string }) => path === 'a.css')).toMatchObject({ skipped: null })
})
