import { execFileSync, spawn, spawnSync } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import {
  appendFileSync,
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fail, installDebian, ROOT, say } from './packages.mjs'

const DEBIAN = '/usr/lib/postgresql'
const USER = 'undo_ink'
const DATABASE = 'undo_ink'

/** The folder of PostgreSQL's programs, installed through apt where it is missing. */
export function ensurePostgres() {
  const found = findPrograms()
  if (found) return found
  installDebian('PostgreSQL', ['postgresql'])
  return findPrograms() ?? fail('PostgreSQL was installed, but its programs are not where Debian puts them.')
}

function findPrograms() {
  const versions = existsSync(DEBIAN) ? readdirSync(DEBIAN).map(Number).filter(Boolean) : []
  const folders = versions.sort((a, b) => b - a).map((version) => join(DEBIAN, String(version), 'bin'))
  const onPath = (process.env.PATH ?? '').split(':')
  return [...folders, ...onPath].find(
    (folder) =>
      existsSync(join(folder, 'initdb')) && existsSync(join(folder, 'pg_ctl')) && existsSync(join(folder, 'postgres')),
  )
}

/**
 * Starts a private cluster on a free loopback port, making it first where there is none. As root the server runs as `postgres`,
 * which must be able to reach the folder.
 * @param folder where the cluster lives
 * @param throwAway for tests: no password, nothing is forced to disk
 * @returns the address to connect to, its folder, when it ended by itself, and how to stop it; throws what PostgreSQL said where it does not start
 */
export async function startCluster(folder, { throwAway = false } = {}) {
  const programs = ensurePostgres()
  const as = runAs()
  const data = join(folder, 'data')
  if (!existsSync(join(data, 'PG_VERSION'))) makeCluster(programs, folder, as, throwAway)
  else stopLeftover(programs, data, as)

  const password = throwAway ? null : readFileSync(join(folder, 'password'), 'utf8').trim()
  const port = await freePort()
  // A process group of its own: Ctrl+C at the terminal must reach it through us, after the application has closed.
  const server = spawn(join(programs, 'postgres'), ['-D', data, '-p', String(port)], {
    ...as,
    cwd: data,
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  await ready(server)
  const login = password ? `${USER}:${password}` : USER
  const url = `postgresql://${login}@127.0.0.1:${port}/`
  let isStopped = false
  return {
    url: url + DATABASE,
    data,
    /** Comes true when it ends without having been stopped. */
    ended: new Promise((resolve) => server.once('exit', () => isStopped || resolve())),
    /** Ends it as a crash would: no time to write anything. */
    kill: () => process.kill(server.pid, 'SIGKILL'),
    /** Ends open connections and stops; waits until it is down. */
    stop: () =>
      new Promise((resolve) => {
        isStopped = true
        if (server.exitCode !== null || server.signalCode !== null) return resolve()
        server.once('exit', resolve)
        process.kill(server.pid, 'SIGINT')
      }),
  }
}

/** As root: the user and group that PostgreSQL's programs run as. */
function runAs() {
  if (process.getuid?.() !== 0) return {}
  const id = (flag) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }))
  return { uid: id('-u'), gid: id('-g') }
}

/** A folder for the cluster within the project, or, where `postgres` cannot reach that, one under /var/lib. */
export function clusterFolder() {
  const own = join(ROOT, '.data/postgres')
  if (process.getuid?.() !== 0 || reachable(ROOT)) return own
  const name = createHash('sha256').update(ROOT).digest('hex').slice(0, 12)
  const instead = `/var/lib/undo-ink/${name}`
  say(`the user postgres cannot enter ${ROOT}; the database is kept in ${instead}`)
  return instead
}

function reachable(folder) {
  for (let at = folder; at !== dirname(at); at = dirname(at)) if (!(statSync(at).mode & 0o001)) return false
  return true
}

function makeCluster(programs, folder, as, throwAway) {
  say('making a database cluster …')
  const data = join(folder, 'data')
  // What a first start that was killed has left behind.
  rmSync(data, { recursive: true, force: true })
  // The way to the data must be open to the user postgres, the data to nobody else.
  mkdirSync(folder, { recursive: true, mode: 0o755 })
  chmodSync(folder, 0o755)
  mkdirSync(data, { mode: 0o700 })
  const passwordFile = join(folder, 'password')
  writeFileSync(passwordFile, `${randomBytes(24).toString('hex')}\n`, { mode: 0o600 })
  if (as.uid !== undefined) for (const path of [data, passwordFile]) chownSync(path, as.uid, as.gid)
  const auth = throwAway ? ['-A', 'trust', '--no-sync'] : ['-A', 'scram-sha-256', `--pwfile=${passwordFile}`]
  run(join(programs, 'initdb'), ['-D', data, '-U', USER, ...auth, '-E', 'UTF8', '--locale=C', '--no-instructions'], as)
  const settings = ["listen_addresses = '127.0.0.1'", "unix_socket_directories = ''", 'max_connections = 60']
  if (throwAway) settings.push('fsync = off', 'synchronous_commit = off', 'full_page_writes = off')
  appendFileSync(join(data, 'postgresql.conf'), `${settings.join('\n')}\n`)
  // `--single` reads SQL from its input; the database is made before anyone can connect.
  run(join(programs, 'postgres'), ['--single', '-D', data, 'postgres'], as, `CREATE DATABASE ${DATABASE};\n`)
}

function run(program, args, as, input = '') {
  const { status, stderr } = spawnSync(program, args, { ...as, cwd: '/', input, encoding: 'utf8' })
  if (status !== 0) fail(`${program} failed:\n${stderr}`)
}

/** A server that a killed program left running on this cluster is stopped; its files hold everything that was committed. */
function stopLeftover(programs, data, as) {
  if (!existsSync(join(data, 'postmaster.pid'))) return
  spawnSync(join(programs, 'pg_ctl'), ['-D', data, '-m', 'fast', '-w', 'stop'], { ...as, cwd: '/', stdio: 'ignore' })
}

function ready(server) {
  return new Promise((resolve, reject) => {
    let said = ''
    let isReady = false
    server.stderr.on('data', (chunk) => {
      said = (said + chunk).slice(-4000)
      isReady ||= said.includes('ready to accept connections')
      if (isReady) resolve()
    })
    server.once('exit', (code) => {
      if (!isReady) reject(new Error(`PostgreSQL did not start (${code}):\n${said}`))
    })
  })
}

/** A port that nobody listens on now. */
export function freePort(wanted = 0) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(null))
    probe.listen(wanted, '127.0.0.1', () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}
