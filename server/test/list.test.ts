import { randomUUID } from 'node:crypto'
import { SITES_ON_PAGE, siteListSchema } from '@undo-ink/contracts'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { Writer } from '../src/features/rewrite/writer.ts'
import { summarizeSites } from '../src/features/sites/service.ts'
import { type Harness, makeSite, siteWith, startServer } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const list = async () =>
  (await harness.http.get('/api/sites').expect(200)).body.sites as { name: string; decided: number }[]

/** What is asked of the database meanwhile. */
async function asked(work: () => Promise<unknown>): Promise<number> {
  const query = vi.spyOn(harness.sequelize, 'query')
  await work()
  const questions = query.mock.calls.length
  query.mockRestore()
  return questions
}

const keep = (color: string) => ({
  kind: 'decide',
  decisions: [{ id: randomUUID(), target: { colors: [color] }, to: { kind: 'keep' } }],
})

describe('the list of sites', () => {
  it('asks once for all, and counts only plans that moved', async () => {
    const plans: string[] = []
    for (const name of ['One', 'Two', 'Three']) {
      const { planId } = await siteWith(harness, name, { 'a.css': 'a{color:#7a2433} b{color:tan} i{color:#7a2433}' })
      plans.push(planId)
    }
    await makeSite(harness, 'Empty')
    const act = (planId: string, version: number, color: string) =>
      harness.http
        .post(`/api/plans/${planId}/events`)
        .send({ id: randomUUID(), version, event: keep(color) })
        .expect(201)
    for (const planId of plans) await act(planId, 0, '#7a2433')
    const first = await asked(list)
    expect((await list()).map(({ name, decided }) => [name, decided])).toEqual([
      ['Empty', 0],
      ['Three', 2],
      ['Two', 2],
      ['One', 2],
    ])
    expect(await asked(list)).toBe(1)
    await act(plans[0] as string, 1, '#d2b48c')
    const again = await asked(list)
    expect(again).toBeGreaterThan(1)
    expect(again).toBeLessThan(first)
    expect((await list()).at(-1)).toMatchObject({ name: 'One', decided: 3, places: 3, lead: ['#7a2433', '#d2b48c'] })
  })

  it('comes in pages, and is sought by the names of sites and clients', async () => {
    const { client } = (await harness.http.get(`/api/sites/${await makeSite(harness, 'Blue Heron')}`).expect(200)).body
    for (let i = 0; i < SITES_ON_PAGE; i++)
      await harness.http
        .post('/api/sites')
        .send({ name: `Lagoon ${i}`, client: { id: client.id } })
        .expect(201)
    const asked = async (query: string) =>
      siteListSchema.parse((await harness.http.get(`/api/sites${query}`).expect(200)).body)
    const first = await asked('')
    expect([first.sites.length, first.found, first.all]).toEqual([SITES_ON_PAGE, SITES_ON_PAGE + 5, SITES_ON_PAGE + 5])
    expect((await asked('?page=2')).sites.map(({ name }) => name)).toEqual([
      'Blue Heron',
      'Empty',
      'Three',
      'Two',
      'One',
    ])
    const seven = await asked('?text=goon%207')
    expect(seven.sites).toMatchObject([{ name: 'Lagoon 7', ofClient: SITES_ON_PAGE + 1 }])
    expect(seven.found).toBe(1)
    expect((await asked('?text=BLUE%20heron')).found).toBe(SITES_ON_PAGE + 1)
    expect((await asked('?text=%25')).found).toBe(0)
    expect((await asked('?page=9')).sites).toEqual([])
    await harness.http.get('/api/sites?page=0').expect(400)
    await harness.http.get('/api/sites?order=name').expect(400)
    const { body: clients } = await harness.http.get('/api/clients').expect(200)
    expect(clients.find(({ id }: { id: string }) => id === client.id)).toMatchObject({ sites: SITES_ON_PAGE + 1 })
  })

  it('is not worked out for one who is gone', async () => {
    const writer = new Writer()
    await expect(
      summarizeSites(harness.sequelize, { text: '', page: 1 }, writer, AbortSignal.abort()),
    ).rejects.toThrow()
    await writer.close()
  })
})
