import { randomBytes } from 'node:crypto'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { setTimeout as wait } from 'node:timers/promises'
import { type LedgerPlace, placeAt, unpackLedger } from '@undo-ink/core'
import pg from 'pg'
import pino from 'pino'
import type { Sequelize } from 'sequelize'
import supertest from 'supertest'
import { expect } from 'vitest'
import { ZipFile } from 'yazl'
import type { Config } from '../src/config.ts'
import { connect } from '../src/db/connect.ts'
import type { UploadLimits } from '../src/features/intake/uploads.ts'
import { Writer } from '../src/features/rewrite/writer.ts'
import { makeApp } from '../src/http/app.ts'
import { startWork } from '../src/work.ts'

/** Makes an empty database on the test cluster; `npm test` starts one and names it. */
export async function makeDatabase(): Promise<string> {
  const base = process.env.TEST_DATABASE_URL
  if (!base) throw new Error('TEST_DATABASE_URL is not set: npm test sets it')
  const name = `t_${randomBytes(8).toString('hex')}`
  const client = new pg.Client(base)
  await client.connect()
  await client.query(`CREATE DATABASE ${name}`)
  await client.end()
  return Object.assign(new URL(base), { pathname: `/${name}` }).href
}

/** A whole server on a database of its own, listening on loopback. */
export interface Harness {
  readonly sequelize: Sequelize
  readonly writer: Writer
  readonly port: number
  readonly http: ReturnType<typeof supertest>
  readonly databaseUrl: string
  stop(): Promise<void>
}

/** @param how what it is started with, instead of what tests mostly need */
export async function startServer(
  how: { databaseUrl?: string; databaseDir?: string; uploads?: UploadLimits } = {},
): Promise<Harness> {
  const url = how.databaseUrl ?? (await makeDatabase())
  const sequelize = await connect(url)
  const logger = pino({ level: process.env.TEST_LOG ?? 'silent' })
  const config: Config = {
    databaseUrl: url,
    host: '127.0.0.1',
    port: 0,
    visitorDomain: 'localhost',
    appHosts: ['127.0.0.1', 'localhost'],
    databaseDir: how.databaseDir,
    demoDir: undefined,
    webDir: undefined,
    logLevel: 'silent',
  }
  const work = await startWork(config, sequelize, logger)
  const writer = new Writer()
  const server: Server = createServer(
    makeApp({ config, sequelize, logger, writer, ...(how.uploads ? { uploads: how.uploads } : {}) }),
  )
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  return {
    sequelize,
    writer,
    port,
    http: supertest(`http://127.0.0.1:${port}`),
    databaseUrl: url,
    async stop() {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
      await work.close()
      await writer.close()
      await sequelize.close()
    },
  }
}

/** A ZIP of some files; their paths are written as given. */
export async function zipOf(files: Readonly<Record<string, string | Buffer>>): Promise<Buffer> {
  const zip = new ZipFile()
  for (const [path, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), path)
  zip.end()
  const chunks: Buffer[] = []
  for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks)
}

export async function makeSite({ http }: Harness, name: string, client?: { id: string }): Promise<string> {
  const { body } = await http.post('/api/sites').send({ name, client }).expect(201)
  return body.id
}

/** The site, when no job works on it any more. */
// biome-ignore lint/suspicious/noExplicitAny: what a test asks for is checked by what it expects
export async function whenDone({ http }: Harness, siteId: string): Promise<any> {
  for (;;) {
    const { body } = await http.get(`/api/sites/${siteId}`).expect(200)
    if (!['waiting', 'running'].includes(body.job?.state)) return body
    await wait(20)
  }
}

/** Every place of a snapshot, as the interface gets them. */
export async function placesOf({ port }: Harness, snapshotId: string): Promise<LedgerPlace[]> {
  const answer = await fetch(`http://127.0.0.1:${port}/api/snapshots/${snapshotId}/ledger`)
  const ledger = unpackLedger(new Uint8Array(await answer.arrayBuffer()))
  if (!ledger) throw new Error(`no ledger: ${answer.status}`)
  return Array.from({ length: ledger.length }, (_, index) => placeAt(ledger, index))
}

/** Makes a site, gives it files as a ZIP, and tells its ids. @param client whose it is; left out: a new one */
export async function siteWith(
  harness: Harness,
  name: string,
  files: Readonly<Record<string, string | Buffer>>,
  client?: { id: string },
) {
  const siteId = await makeSite(harness, name, client)
  await harness.http
    .post(`/api/sites/${siteId}/copy`)
    .attach('zip', await zipOf(files), 'site.zip')
    .expect(202)
  const body = await whenDone(harness, siteId)
  expect(body.job).toBeNull()
  return {
    siteId,
    snapshotId: body.snapshot.id as string,
    planId: body.snapshot.planId as string,
    files: body.snapshot.files,
  }
}
