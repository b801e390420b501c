import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
// The cluster of `npm start`, with everything forced to disk.
import { startCluster } from '../../scripts/lib/postgres.mjs'
import { placesOf, siteWith, startServer } from './harness.ts'

let folder: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'undo-ink-durable-'))
  chmodSync(folder, 0o755)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

it('what was answered as recorded is there after the database and the server were killed', async () => {
  const first = await startCluster(folder)
  const before = await startServer({ databaseUrl: first.url })
  const { planId, snapshotId } = await siteWith(before, 'Durable', { 'a.css': 'a { color: #7a2433 }' })
  const keep = {
    kind: 'decide',
    decisions: [{ id: randomUUID(), target: { colors: ['#7a2433'] }, to: { kind: 'keep' } }],
  }
  const event = { id: randomUUID(), version: 0, event: keep }
  await before.http.post(`/api/plans/${planId}/events`).send(event).expect(201)
  first.kill()
  await before.stop()

  const second = await startCluster(folder)
  const after = await startServer({ databaseUrl: second.url })
  const { body: plan } = await after.http.get(`/api/plans/${planId}`).expect(200)
  expect(plan.events.map(({ event }: { event: unknown }) => event)).toEqual([keep])
  // Sent again, as a browser does that never saw the answer, it is not doubled.
  const again = await after.http.post(`/api/plans/${planId}/events`).send(event).expect(201)
  expect(again.body.version).toBe(1)
  expect(await placesOf(after, snapshotId)).toHaveLength(1)
  await after.stop()
  await second.stop()
})
