import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { sweepFolders, withFolder } from '../src/folders.ts'

it('folders of servers that were killed are swept, those in use stay until their work is done', async () => {
  const { pid } = spawnSync(process.execPath, ['--version'])
  const left = join(tmpdir(), `undo-ink-${pid}-left`)
  mkdirSync(join(left, 'within'), { recursive: true })
  let used = ''
  const failing = withFolder(async (folder) => {
    used = folder
    await sweepFolders()
    expect([existsSync(left), existsSync(folder)]).toEqual([false, true])
    throw new Error('broken off')
  })
  await expect(failing).rejects.toThrow('broken off')
  expect(existsSync(used)).toBe(false)
})
