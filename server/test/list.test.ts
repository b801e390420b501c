import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { Writer } from '../src/features/rewrite/writer.ts'
import { summarizeSites } from '../src/features/sites/service.ts'
import { type Harness, makeSite, siteWith, startServer } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const list = async () => (await harness.http.get('/api/sites').expect(200)).body as { name: string; decided: number }[]

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

  it('is not worked out for one who is gone', async () => {
    const writer = new Writer()
    await expect(summarizeSites(harness.sequelize, writer, AbortSignal.abort())).rejects.toThrow()
    await writer.close()
  })
})
