import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { BlobRow, PlanEventRow, SiteRow } from '../src/db/models.ts'
import { forgetDeleted } from '../src/features/sites/deleting.ts'
import { type Harness, siteWith, startServer } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const names = async () => (await harness.http.get('/api/sites')).body.sites.map(({ name }: { name: string }) => name)
const deleted = async () =>
  (await harness.http.get('/api/sites/deleted')).body.map(({ name }: { name: string }) => name)
/** As if it had been deleted that many days ago. */
const age = (id: string, days: number) =>
  SiteRow.update({ deletedAt: new Date(Date.now() - days * 86_400_000) }, { where: { id } })

describe('a site', () => {
  it('takes another name, but not that of another', async () => {
    const { siteId } = await siteWith(harness, 'Old name', { 'a.css': 'a{color:red}' })
    await siteWith(harness, 'Taken', { 'a.css': 'a{color:red}' })
    expect((await harness.http.patch(`/api/sites/${siteId}`).send({ name: 'New name' })).body.name).toBe('New name')
    expect((await harness.http.patch(`/api/sites/${siteId}`).send({ name: 'taken' })).status).toBe(409)
    await harness.http.patch(`/api/sites/${siteId}`).send({ name: ' ' }).expect(400)
    const { client } = (await harness.http.get(`/api/sites/${siteId}`)).body
    await harness.http.patch(`/api/clients/${client.id}`).send({ name: 'Its client' }).expect(204)
    expect((await harness.http.get(`/api/sites/${siteId}`)).body.client.name).toBe('Its client')
  })

  it('is deleted and brought back, its name free in between', async () => {
    const { siteId } = await siteWith(harness, 'Comes back', { 'a.css': 'a{color:red}' })
    await harness.http.delete(`/api/sites/${siteId}`).expect(204)
    expect(await names()).not.toContain('Comes back')
    expect(await deleted()).toContain('Comes back')
    await harness.http.get(`/api/sites/${siteId}`).expect(404)
    const { body: other } = await harness.http
      .post('/api/sites')
      .send({ name: 'Comes back', client: { name: 'Other' } })
    await harness.http.post(`/api/sites/${siteId}/restore`).expect(409)
    await harness.http.patch(`/api/sites/${other.id}`).send({ name: 'Another' }).expect(200)
    await harness.http.post(`/api/sites/${siteId}/restore`).expect(200)
    expect(await names()).toContain('Comes back')
  })

  it('goes after 30 days with its history and the bytes that no other copy holds, and not before', async () => {
    const own = `a{color:#7a2433} /* ${randomUUID()} */`
    const shared = `b{color:#7a2433} /* ${randomUUID()} */`
    const one = await siteWith(harness, 'Goes', { 'a.css': own, 'b.css': shared })
    const two = await siteWith(harness, 'Stays', { 'b.css': shared })
    const event = { kind: 'tolerance', value: 3 }
    await harness.http.post(`/api/plans/${one.planId}/events`).send({ id: randomUUID(), version: 0, event }).expect(201)
    const hashes = async (ids: string[]) => BlobRow.count({ where: { sha256: ids } })
    const [ownHash, sharedHash] = ['a.css', 'b.css'].map(
      (path) => one.files.find((file: { path: string }) => file.path === path).sha256,
    )
    await harness.http.delete(`/api/sites/${one.siteId}`).expect(204)
    await age(one.siteId, 29)
    await forgetDeleted(harness.sequelize)
    expect(await deleted()).toContain('Goes')
    await age(one.siteId, 31)
    expect(await deleted()).not.toContain('Goes')
    await forgetDeleted(harness.sequelize)
    expect(await SiteRow.count({ where: { id: one.siteId } })).toBe(0)
    expect(await PlanEventRow.count({ where: { planId: one.planId } })).toBe(0)
    expect([await hashes([ownHash]), await hashes([sharedHash])]).toEqual([0, 1])
    await harness.http.get(`/api/sites/${two.siteId}`).expect(200)
  })

  it('has no other way past its history', async () => {
    const { planId } = await siteWith(harness, 'Guarded', { 'a.css': 'a{color:red}' })
    const event = { kind: 'tolerance', value: 3 }
    await harness.http.post(`/api/plans/${planId}/events`).send({ id: randomUUID(), version: 0, event }).expect(201)
    await expect(PlanEventRow.destroy({ where: { planId } })).rejects.toThrow('never changes')
    await expect(harness.sequelize.query('SELECT forget_deleted(now())')).rejects.toThrow('30 days')
    await expect(PlanEventRow.destroy({ where: { planId } })).rejects.toThrow('never changes')
  })
})

it('a client goes with all sites, and comes back with the first of them', async () => {
  const one = await siteWith(harness, 'Client one', { 'a.css': 'a{color:red}' })
  const { client } = (await harness.http.get(`/api/sites/${one.siteId}`)).body
  await siteWith(harness, 'Client two', { 'a.css': 'a{color:tan}' }, { id: client.id })
  await harness.http.delete(`/api/clients/${client.id}`).expect(204)
  expect(await deleted()).toEqual(expect.arrayContaining(['Client one', 'Client two']))
  await harness.http
    .post('/api/sites')
    .send({ name: 'For one who is gone', client: { id: client.id } })
    .expect(404)
  await harness.http.post(`/api/sites/${one.siteId}/restore`).expect(200)
  expect(await names()).toContain('Client one')
  await harness.http
    .post('/api/sites')
    .send({ name: 'For one who is back', client: { id: client.id } })
    .expect(201)
})
