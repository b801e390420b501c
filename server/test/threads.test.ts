import { afterEach, describe, expect, it } from 'vitest'
import { connect } from '../src/db/connect.ts'
import { Reader } from '../src/features/audit/reader.ts'
import { keepBlobs } from '../src/features/intake/blobs.ts'
import { LIMITS, Threads, TooCostly } from '../src/threads.ts'
import { makeDatabase } from './harness.ts'

const STUCK = new URL('./stuck.mjs', import.meta.url)
let threads: Threads
afterEach(() => threads.close())
/** Bytes of a task that may take no time worth naming: on any machine others have enough to start a thread. */
const ENDLESS = 1
const run = (name: string, owner = 'a', signal?: AbortSignal) =>
  threads.run(name, { name, owner, bytes: name === 'forever' ? ENDLESS : 2, signal })

describe('a task in a thread', () => {
  it.each(['forever', 'grow'])(
    'that runs %s ends with its thread, and the next one is done',
    async (name) => {
      threads = new Threads('', STUCK, 1, { time: (bytes) => (bytes === ENDLESS ? 300 : 600_000), memory: 64 })
      await expect(run(name)).rejects.toThrow(TooCostly)
      expect(await run('echo')).toBe('echo')
    },
    120_000,
  )

  it('is ended when whom it is for wants it no more', async () => {
    threads = new Threads('', STUCK, 1)
    const stop = new AbortController()
    const running = run('forever', 'a', stop.signal)
    setImmediate(() => stop.abort(new Error('no more')))
    await expect(running).rejects.toThrow('no more')
    expect(await run('echo')).toBe('echo')
  })

  it('waits for its turn, but not for another one who has many', async () => {
    threads = new Threads('', STUCK, 3)
    const stop = new AbortController()
    const many = Array.from({ length: 6 }, () => run('forever', 'many', stop.signal))
    const ended = Promise.allSettled(many)
    expect(await run('echo', 'other')).toBe('echo')
    stop.abort()
    expect((await ended).every(({ status }) => status === 'rejected')).toBe(true)
    expect(await run('echo', 'many')).toBe('echo')
  })
})

it('a file that takes too much is left out with its reason, and read the next time', async () => {
  const sequelize = await connect(await makeDatabase())
  const file = { path: 'a.css', sha256: 'a'.repeat(64), choice: null }
  const bytes = Buffer.from('a{color:red}'.repeat(50_000))
  await keepBlobs(sequelize, new Map([[file.sha256, bytes]]))
  const by = { owner: 'a', signal: new AbortController().signal }
  const read = async (reader: Reader) => {
    const [read] = await reader.read(
      [file],
      async () => new Map([[file.sha256, bytes]]),
      by,
      async () => {},
    )
    await reader.close()
    return [read?.reading?.about.skipped, read?.reading?.places]
  }
  expect(await read(new Reader(sequelize, { ...LIMITS, time: () => 5 }))).toEqual(['too-costly', 0])
  expect(await read(new Reader(sequelize))).toEqual([null, 50_000])
  await sequelize.close()
  threads = new Threads('', STUCK, 1)
})
