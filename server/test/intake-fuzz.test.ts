import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { type AddressInfo, connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import express from 'express'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eachRound } from '../../core/test/random.ts'
import { UPLOAD_LIMITS, Uploads } from '../src/features/intake/uploads.ts'
import { openZip } from '../src/features/intake/zip.ts'
import { Refusal } from '../src/http/problem.ts'
import { zipOf } from './harness.ts'

/** `npm run verify` goes on for longer, from a seed of its own. */
const ROUNDS = process.env.VERIFY === 'all' ? 20 : 1

let folder: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'undo-ink-fuzz-'))
})
afterAll(() => rmSync(folder, { recursive: true }))

/** Bytes as a broken line or a hostile hand leaves them: some changed, some gone, some twice. */
function mutated(bytes: Buffer, random: () => number): Buffer {
  let made = Buffer.from(bytes)
  for (let times = 1 + Math.floor(random() * 4); times > 0; times--) {
    const [from, length] = [Math.floor(random() * made.length), 1 + Math.floor(random() * 40)]
    const kind = random()
    if (kind < 0.5) made[from] = Math.floor(random() * 256)
    else if (kind < 0.65) made = made.subarray(0, from)
    else if (kind < 0.8) made = Buffer.concat([made.subarray(0, from), made.subarray(from + length)])
    else made = Buffer.concat([made.subarray(0, from + length), made.subarray(from)])
    if (made.length === 0) return made
  }
  return made
}

describe('any bytes at all', () => {
  it('are an archive whose files are safe, or are refused', async () => {
    const whole = await zipOf({ 'site/a.css': 'a{color:tan}'.repeat(20), 'site/b/ü.html': '<p>', 'site/c.png': 'x' })
    const file = join(folder, 'a.zip')
    let [opened, read] = [0, 0]
    await eachRound(400 * ROUNDS, async (random) => {
      const bytes = mutated(whole, random)
      writeFileSync(file, bytes)
      const zip = await openZip(file, bytes.length).catch(refusalOnly)
      if (!zip) return
      opened++
      for (const received of zip.files) {
        const { path, size } = received
        expect(path.split('/').some((part) => part === '' || part === '.' || part === '..')).toBe(false)
        const [got] = (await zip.bytesOf([received]).catch(refusalOnly)) ?? []
        if (!got) continue
        read++
        expect(got.length).toBe(size)
      }
      zip.close()
    })
    expect([opened, read].every((count) => count > 20)).toBe(true)
  })

  it('are an upload that is kept, or are refused', async () => {
    const uploads = new Uploads(UPLOAD_LIMITS)
    const app = express()
    app.post('/', async (req, res) => {
      const found = await uploads.receive('site', req, res, folder).catch(refusalOnly)
      if (found) expect(found.files.every(({ at }) => at.startsWith(folder))).toBe(true)
      res.status(found ? 202 : 400).end()
    })
    const server: Server = createServer(app)
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    const { port } = server.address() as AddressInfo
    const part = (name: string, text: string) =>
      `--edge\r\nContent-Disposition: form-data; name="files"; filename="${name}"\r\n\r\n${text}\r\n`
    const body = Buffer.from(`${part('../a.css', 'a{}')}${part('b/ü.css', 'b{}')}--edge--\r\n`)
    const answers = new Map<number, number>()
    await eachRound(100 * ROUNDS, async (random) => {
      const sent = mutated(body, random)
      const status = await post(port, sent)
      answers.set(status, (answers.get(status) ?? 0) + 1)
    })
    expect([...answers.keys()].toSorted()).toEqual([202, 400])
    server.closeAllConnections()
    await new Promise((resolve) => server.close(resolve))
  })
})

function refusalOnly(error: unknown): null {
  if (error instanceof Refusal) return null
  throw error
}

/** Sends a body to its end, and gives the status of the answer. */
async function post(port: number, body: Buffer): Promise<number> {
  const socket = connect(port, '127.0.0.1')
  const head = `POST / HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\nContent-Type: multipart/form-data; boundary=edge\r\nContent-Length: ${body.length}\r\n\r\n`
  socket.write(head)
  socket.write(body)
  let text = ''
  for await (const bytes of socket) text += bytes
  return Number(/^HTTP\/1\.1 (\d+)/.exec(text)?.[1])
}
