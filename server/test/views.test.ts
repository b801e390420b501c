import { afterAll, beforeAll, expect, it } from 'vitest'
import { type Harness, makeSite, startServer } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

it('views are kept for their site under names of their own, and forgotten', async () => {
  const { http } = harness
  const siteId = await makeSite(harness, 'Viewed')
  const other = await makeSite(harness, 'Other')
  const keep = (name: string, site = siteId) =>
    http.post(`/api/sites/${site}/views`).send({ name, query: 'use=text&find=%237a2433' })
  const { body: kept } = await keep(' Old maroon ').expect(201)
  expect(kept).toMatchObject({ name: 'Old maroon', query: 'use=text&find=%237a2433' })
  await keep('Greys').expect(201)
  const again = await keep('OLD MAROON')
  expect([again.status, again.body.code]).toEqual([409, 'conflict'])
  await keep('Old maroon', other).expect(201)
  expect((await keep('   ')).status).toBe(400)
  const names = async () =>
    (await http.get(`/api/sites/${siteId}/views`).expect(200)).body.map(({ name }: { name: string }) => name)
  expect(await names()).toEqual(['Greys', 'Old maroon'])
  await http.delete(`/api/views/${kept.id}`).expect(204)
  await http.delete(`/api/views/${kept.id}`).expect(204)
  expect(await names()).toEqual(['Greys'])
})
