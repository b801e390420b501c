import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import pino from 'pino'
import { readConfig } from './config.ts'
import { connect } from './db/connect.ts'
import { loadDemo } from './demo.ts'
import { Writer } from './features/rewrite/writer.ts'
import { makeApp } from './http/app.ts'
import { startWork } from './work.ts'

/** Milliseconds that open requests get to end when the server is told to stop. */
const GRACE = 5_000

/** Milliseconds that an idle connection stays open. */
const KEEP_ALIVE = 330_000

const HOUR = 3_600_000

const config = readConfig(process.env)
const logger = pino({ level: config.logLevel })
const sequelize = await connect(config.databaseUrl).catch((error: Error) => {
  // The address holds a password: only its harmless parts are told.
  const { hostname, port, pathname } = new URL(config.databaseUrl)
  logger.fatal(`the database at ${hostname}:${port || 5432}${pathname} cannot be used: ${error.message}`)
  return process.exit(1)
})
const work = await startWork(config, sequelize, logger)
if (config.demoDir) await loadDemo(sequelize, config.demoDir)

const writer = new Writer()
const server = createServer(makeApp({ config, sequelize, logger, writer }))
// Longer than browsers keep an idle connection waiting: closed by us just as it is used again, a request would be lost.
server.keepAliveTimeout = KEEP_ALIVE
// A copy on a slow line takes its time; one that only trickles is ended by whoever takes it in.
server.requestTimeout = HOUR
server.on('error', (error) => {
  logger.fatal({ err: error }, 'the server cannot listen')
  process.exit(1)
})
server.listen(config.port, config.host, () => {
  const { port } = server.address() as AddressInfo
  logger.info({ port }, 'listening')
  // Whoever started this process waits for it.
  process.send?.({ listening: port })
})

let stopping = false
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  setTimeout(() => process.exit(1), GRACE).unref()
  server.closeIdleConnections()
  await new Promise((resolve) => {
    server.close(resolve)
    setTimeout(() => server.closeAllConnections(), GRACE / 2).unref()
  })
  await work.close()
  await writer.close()
  await sequelize.close()
  process.exit(0)
}
process.on('SIGINT', () => void stop())
process.on('SIGTERM', () => void stop())
// The process that started this one is gone, however it ended.
process.on('disconnect', () => void stop())
