import { randomUUID } from 'node:crypto'
import { type Palette, paletteSchema } from '@undo-ink/contracts'
import type { PlanEvent } from '@undo-ink/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { type Harness, siteWith, startServer } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const FILES = { 'a.css': 'a { color: #7a2433 }' }
const PRIMARY = { id: 'p', name: 'primary', color: '#0b6e74' }
const LINK = { id: 'l', name: 'link', color: '#0a5a8a' }

const change = (planId: string, version: number, roles: unknown[]) =>
  harness.http.post(`/api/plans/${planId}/palette`).send({ id: randomUUID(), version, roles })
const send = (planId: string, version: number, event: PlanEvent) =>
  harness.http.post(`/api/plans/${planId}/events`).send({ id: randomUUID(), version, event })

/** A second site of the client of a first one. */
async function twoSites(name: string) {
  const one = await siteWith(harness, `${name} one`, FILES)
  const { client } = (await harness.http.get(`/api/sites/${one.siteId}`).expect(200)).body
  const two = await siteWith(harness, `${name} two`, FILES, { id: client.id })
  return { one, two, client }
}

async function paletteOf(planId: string): Promise<Palette> {
  const { body: plan } = await harness.http.get(`/api/plans/${planId}`).expect(200)
  return paletteSchema.parse((await harness.http.get(`/api/palettes/${plan.paletteId}`).expect(200)).body)
}
const versionsOn = async (planId: string) => (await paletteOf(planId)).sites.map(({ version }) => version)

describe('a client', () => {
  it('has one palette for all sites; each plan stays on its version until it moves on', async () => {
    const { one, two, client } = await twoSites('Serves')
    expect(client.name).toBe('Serves one')
    await change(one.planId, 0, [PRIMARY]).expect(201)
    const palette = await paletteOf(two.planId)
    expect(palette.client).toBe('Serves one')
    expect(palette.sites.map(({ name, version }) => [name, version])).toEqual([
      ['Serves one', 2],
      ['Serves two', 1],
    ])
    expect(palette.versions.map(({ version, roles }) => [version, roles.length])).toEqual([
      [1, 0],
      [2, 1],
    ])
    await send(two.planId, 0, { kind: 'palette', version: 2 }).expect(201)
    expect(await versionsOn(two.planId)).toEqual([2, 2])
    await send(two.planId, 1, { kind: 'undo' }).expect(201)
    expect(await versionsOn(two.planId)).toEqual([2, 1])
  })

  it('loses no change of one site to another: a plan that stays behind moves on before it changes the palette', async () => {
    const { one, two } = await twoSites('Behind')
    await change(one.planId, 0, [PRIMARY]).expect(201)
    const { body } = await change(two.planId, 0, [LINK]).expect(409)
    expect([body.code, body.detail]).toEqual(['palette-moved-on', 'Look at what version 2 moves, and change it there.'])
    await send(two.planId, 0, { kind: 'palette', version: 2 }).expect(201)
    await change(two.planId, 1, [PRIMARY, LINK]).expect(201)
    expect(await versionsOn(one.planId)).toEqual([2, 3])
  })

  it('is not held up by a version that was undone, and begins new sites on the one in use', async () => {
    const { one, two, client } = await twoSites('Undone')
    await change(one.planId, 0, [PRIMARY]).expect(201)
    await send(one.planId, 1, { kind: 'undo' }).expect(201)
    const three = await siteWith(harness, 'Undone three', FILES, { id: client.id })
    expect(await versionsOn(one.planId)).toEqual([1, 1, 1])
    await change(two.planId, 0, [LINK]).expect(201)
    expect(await versionsOn(three.planId)).toEqual([1, 3, 1])
  })

  it('lets one of two sites through that change the palette at the same moment', async () => {
    const { one, two } = await twoSites('Moment')
    const answers = await Promise.all([change(one.planId, 0, [PRIMARY]), change(two.planId, 0, [LINK])])
    expect(answers.map(({ status }) => status).toSorted()).toEqual([201, 409])
    expect((await paletteOf(one.planId)).versions).toHaveLength(2)
  })

  it('has a name of its own, and must be there', async () => {
    const make = (body: unknown) => harness.http.post('/api/sites').send(body as object)
    await make({ name: 'Alder', client: { name: 'Marsh and Sons' } }).expect(201)
    const taken = await make({ name: 'Birch', client: { name: 'marsh and sons' } }).expect(409)
    expect([taken.body.code, taken.body.title]).toEqual([
      'client-exists',
      'There is a client called marsh and sons already',
    ])
    await make({ name: 'Birch', client: { id: randomUUID() } }).expect(404)
    await make({ name: 'Birch', client: { name: ' ' } }).expect(400)
    const sites: { name: string }[] = (await harness.http.get('/api/sites').expect(200)).body.sites
    expect(sites.map(({ name }) => name)).not.toContain('Birch')
  })
})

it('a role keeps its words and its values in other schemes, which are opaque colours', async () => {
  const { planId } = await siteWith(harness, 'Schemes', FILES)
  const role = { ...PRIMARY, dark: '#7fd0d6', print: 'black', description: 'Buttons and the header' }
  await change(planId, 0, [role]).expect(201)
  expect((await paletteOf(planId)).versions[1]?.roles).toEqual([role])
  for (const wrong of [{ dark: 'nonsense' }, { print: '#0008' }])
    expect((await change(planId, 1, [{ ...PRIMARY, ...wrong }]).expect(422)).body.code).toBe('invalid-role')
})
