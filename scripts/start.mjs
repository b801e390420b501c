import { fork } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
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

const RUNNING = join(ROOT, '.data/running.json')
const stops = []
let stopping = false

/** Stops what was started, last first. */
async function stop(code) {
  if (stopping) return
  stopping = true
  for (const each of stops.reverse()) await each()
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
const database = process.env.DATABASE_URL || (await privateDatabase())
const server = await startServer(database)
say(`ready at http://127.0.0.1:${port} – Ctrl+C stops it`)
server.once('exit', (code) => void stop(code ?? 1))

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

async function privateDatabase() {
  const cluster = await startCluster(clusterFolder())
  stops.push(cluster.stop)
  return cluster.url
}

function startServer(databaseUrl) {
  const demo = process.argv.includes('--no-demo') ? {} : { DEMO_DIR: join(ROOT, 'demo') }
  const child = fork(join(ROOT, 'server/dist/main.js'), {
    env: {
      LOG_LEVEL: 'warn',
      ...process.env,
      ...demo,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      WEB_DIR: join(ROOT, 'web/dist'),
    },
    // Ctrl+C goes to us alone; we tell it.
    detached: true,
  })
  stops.push(
    () =>
      new Promise((resolve) => {
        if (child.exitCode !== null || child.signalCode !== null) return resolve()
        child.once('exit', resolve)
        child.kill('SIGTERM')
      }),
  )
  return new Promise((resolve) => {
    child.once('message', () => resolve(child))
    child.once('exit', (code) => {
      if (!stopping) console.error('undo-ink: the server ended; what it said is above.')
      void stop(code ?? 1)
    })
  })
}
