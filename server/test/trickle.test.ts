import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { JobRow } from '../src/db/models.ts'
import { type Harness, makeSite, siteWith, startServer } from './harness.ts'
import { answerOf, beginUpload, folders, problem } from './raw-upload.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer({ uploads: { most: 1, patience: 150, leastBytes: 1000 } })
})
afterAll(() => harness.stop())

it('an upload that trickles is ended, and leaves nothing', async () => {
  const siteId = await makeSite(harness, 'Trickle')
  const before = await folders()
  const socket = await beginUpload(harness, siteId)
  expect(problem(await answerOf(socket)).code).toBe('too-slow')
  await vi.waitFor(async () => expect(await folders()).toEqual(before), { timeout: 5000 })
  expect(await JobRow.count({ where: { siteId } })).toBe(0)
  // The next one has its turn.
  expect((await siteWith(harness, 'After', { 'a.css': 'a{color:tan}' })).files).toHaveLength(1)
})
