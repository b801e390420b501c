import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { expect, it } from 'vitest'

/** The built program as people call it; `npm test` builds it before. */
const BIN = join(import.meta.dirname, '../bin/undo-ink.mjs')
const DEMO = join(import.meta.dirname, '../../demo/site')

it('runs as built, with nothing but the result on its output', () => {
  const { stdout, stderr, status } = spawnSync(process.execPath, [BIN, 'audit', DEMO, '--format', 'csv'], {
    encoding: 'utf8',
  })
  expect([status, stderr]).toEqual([0, ''])
  expect(stdout).toMatch(/^file,line,column,/)
  expect(spawnSync(process.execPath, [BIN, 'paint'], { encoding: 'utf8' }).status).toBe(2)
})
