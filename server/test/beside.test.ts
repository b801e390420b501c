import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { type Harness, makeSite, siteWith, startServer, whenDone, zipOf } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

/** A page in which every element meets every rule: its words are looked for as long as any page's may be. */
function hostilePage(seed: string): string {
  const each = (of: (i: number) => string) => Array.from({ length: 6000 }, (_, i) => of(i)).join('')
  return `<!-- ${seed} --><style>${each((i) => `:not([a="${i}"]) p:nth-child(${i}n + 2){color:#123456;background:#abc}`)}</style>${each((i) => `<p a=${i}>${i}`)}`
}

it('a site is taken in, decided and downloaded while two intakes of hostile pages run', async () => {
  const hostile: string[] = []
  for (const name of ['Hostile one', 'Hostile two']) {
    const siteId = await makeSite(harness, name)
    const pages = Object.fromEntries(Array.from({ length: 30 }, (_, i) => [`${i}.html`, hostilePage(`${name} ${i}`)]))
    await harness.http
      .post(`/api/sites/${siteId}/copy`)
      .attach('zip', await zipOf(pages), 'site.zip')
      .expect(202)
    hostile.push(siteId)
  }
  const states = async () =>
    Promise.all(hostile.map(async (id) => (await harness.http.get(`/api/sites/${id}`).expect(200)).body.job?.state))
  const { planId } = await siteWith(harness, 'Third', { 'a.css': 'a{color:#7a2433}', 'index.html': '<p>Hello' })
  const decisions = [{ id: randomUUID(), target: { colors: ['#7a2433'] }, to: { kind: 'keep' } }]
  const event = { id: randomUUID(), version: 0, event: { kind: 'decide', decisions } }
  await harness.http.post(`/api/plans/${planId}/events`).send(event).expect(201)
  await harness.http.get(`/api/plans/${planId}/copy.zip`).expect(200)
  // They are still at it: it waited for neither.
  expect(await states()).toEqual(['running', 'running'])
  for (const id of hostile) {
    const { body } = await harness.http.get(`/api/sites/${id}`)
    await harness.http.post(`/api/jobs/${body.job.id}/cancel`).expect(200)
    expect((await whenDone(harness, id)).job.state).toBe('cancelled')
  }
}, 120_000)
