import { fork } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { build } from './lib/build.mjs'
import { ensurePackages, fail, ROOT, say } from './lib/packages.mjs'
import { clusterFolder, freePort, startCluster } from './lib/postgres.mjs'

const HELP = `npm start [-- --no-demo]

  --no-demo      start without the demo site
  PORT=4600      the port to serve on; without it the first free one from 4600
  DATABASE_URL   a PostgreSQL database to use instead of the private one`

const unknown = process.argv.slice(2).find((word) => word !== '--no-demo' && word !== '--help')
if (unknown) fail(`there is no ${unknown}\n\n${HELP}`)
if (process.argv.includes('--help')) {
  console.log(HELP)
  process.exit(0)
}

/** Milliseconds between two tries to start a database that does not. */
const AGAIN = 2_000

const ENDED = 'the server ended; what it said is above.'

/** Bytes: one segment of the database's log. */
const LEAST_ROOM = 16 * 1024 * 1024

const RUNNING = join(ROOT, '.data/running.json')
let database = null
let server = null
let stopping = false

/** Stops what was started, last first. */
async function stop(code) {
  if (stopping) return
  stopping = true
  if (server) await end(server)
  await database?.stop()
  rmSync(RUNNING, { force: true })
  process.exit(code)
}
process.on('SIGINT', () => void stop(0))
process.on('SIGTERM', () => void stop(0))
process.on('SIGHUP', () => void stop(0))

refuseSecond()
ensurePackages()
const port = await choosePort()
mkdirSync(join(ROOT, '.data'), { recursive: true })
writeFileSync(RUNNING, JSON.stringify({ pid: process.pid, url: `http://127.0.0.1:${port}` }))
await build()
await startBoth().catch(async (error) => {
  say(error.message)
  await stop(1)
})
say(`ready at http://127.0.0.1:${port} – Ctrl+C stops it`)
for (;;) {
  await database.ended
  if (stopping) break
  say('the database has ended; both are started again. What was shown as saved is there.')
  await end(server)
  await startAgain()
  say(`ready again at http://127.0.0.1:${port}`)
}

/** The private database, or the one that was named, and the server on it. */
async function startBoth() {
  const url = process.env.DATABASE_URL
  database = url ? { url, ended: new Promise(() => {}), stop() {} } : await startCluster(clusterFolder())
  await startServer(database)
}

/** As often as it takes: a disk that was full may have room again. */
async function startAgain() {
  let told = ''
  for (;;) {
    try {
      await startBoth()
      return
    } catch (error) {
      await database?.stop()
      if (stopping) return
      const why = isFull() ? `the disk of ${clusterFolder()} is full: make room, and it goes on` : error.message
      if (why !== told) say(why)
      told = why
      await wait(AGAIN)
    }
  }
}

/** A second copy on one cluster would stop the first one's database. A copy that was killed is no longer there. */
function refuseSecond() {
  if (!existsSync(RUNNING)) return
  try {
    const { pid, url } = JSON.parse(readFileSync(RUNNING, 'utf8'))
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8')
    if (pid !== process.pid && command.includes('start.mjs')) fail(`it is running already, at ${url}`)
  } catch {
    rmSync(RUNNING, { force: true })
  }
}

async function choosePort() {
  const wanted = Number(process.env.PORT || 0)
  if (wanted)
    return (await freePort(wanted)) ?? fail(`port ${wanted} is in use: choose another with PORT=…, or leave PORT out.`)
  for (let next = 4600; next < 4700; next++) {
    if (!(await freePort(next))) continue
    if (next !== 4600) say(`port 4600 is in use; taking ${next}`)
    return next
  }
  return fail('the ports 4600 to 4699 are all in use: choose one with PORT=…')
}

function startServer({ url, data }) {
  const demo = process.argv.includes('--no-demo') ? {} : { DEMO_DIR: join(ROOT, 'demo') }
  const child = fork(join(ROOT, 'server/dist/main.js'), {
    env: {
      LOG_LEVEL: 'warn',
      ...process.env,
      ...demo,
      ...(data ? { DATABASE_DIR: data } : {}),
      NODE_ENV: 'production',
      DATABASE_URL: url,
      PORT: String(port),
      WEB_DIR: join(ROOT, 'web/dist'),
    },
    // Ctrl+C goes to us alone; we tell it.
    detached: true,
  })
  server = child
  return new Promise((resolve, reject) => {
    child.once('message', () => {
      resolve()
      child.once('exit', (code) => {
        // With its database it is ended, and started again, by us.
        if (stopping || child.isEnding) return
        say(ENDED)
        void stop(code ?? 1)
      })
    })
    child.once('exit', () => reject(new Error(ENDED)))
  })
}

/** Whether there is no room for the database to write a thing. */
function isFull() {
  const { bavail, bsize } = statfsSync(clusterFolder())
  return bavail * bsize < LEAST_ROOM
}

function end(child) {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve()
    child.isEnding = true
    child.once('exit', resolve)
    child.kill('SIGTERM')
  })
}
