import { fork } from 'node:child_process'
import { readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import pg from 'pg'
import { ROOT } from '../lib/packages.mjs'
import { freePort, startCluster } from '../lib/postgres.mjs'

/** The built server on a database whose writes are forced to disk: both can be killed, and come back on the same port and files. */
export class World {
  constructor(folder) {
    this.folder = folder
  }

  async start() {
    this.port ??= await freePort()
    this.cluster = await startCluster(this.folder)
    await this.startServer()
  }

  async startServer() {
    const env = { ...process.env, LOG_LEVEL: 'silent', DATABASE_URL: this.cluster.url, PORT: String(this.port) }
    const server = fork(join(ROOT, 'server/dist/main.js'), { env: { ...env, NODE_ENV: 'production' } })
    this.server = server
    await new Promise((resolve, reject) => {
      server.once('message', resolve)
      server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
    })
  }

  /** Kills as the system would, without a word before. @param victim `server`, `postmaster`, `backend`, one that serves a connection, or `thread`, in which files are read */
  async kill(victim) {
    if (victim === 'backend') {
      const [row] = await this.sql(
        'SELECT pid FROM pg_stat_activity WHERE pid <> pg_backend_pid() AND datname IS NOT NULL ORDER BY query_start DESC LIMIT 1',
      )
      if (row) process.kill(row.pid, 'SIGKILL')
      return
    }
    if (victim === 'thread') {
      const [job] = await this.sql("SELECT id FROM jobs WHERE state IN ('waiting', 'running')")
      if (job) await this.post(`/api/jobs/${job.id}/cancel`, {}).catch(() => {})
      return
    }
    if (victim === 'postmaster') {
      this.cluster.kill()
      await this.cluster.ended
    }
    await ended(this.server, 'SIGKILL')
  }

  /** Has everything running again, whatever was killed. */
  async mend(victim) {
    if (victim === 'postmaster') this.cluster = await startCluster(this.folder)
    if (this.server.exitCode !== null || this.server.signalCode !== null) await this.startServer()
    // PostgreSQL ends all connections when one of its processes is killed, and begins anew.
    while ((await this.ask('/health').catch(() => null))?.status !== 200) await wait(50)
  }

  async stop() {
    await ended(this.server, 'SIGTERM')
    await this.cluster.stop()
  }

  ask(path, init) {
    return fetch(`http://127.0.0.1:${this.port}${path}`, init)
  }

  /** The JSON of an answer; throws what is refused. */
  async json(path, init) {
    const answer = await this.ask(path, init)
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
    return answer.json()
  }

  post(path, body) {
    return this.json(path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
  }

  async sql(text) {
    const client = new pg.Client(this.cluster.url)
    client.on('error', () => {})
    await client.connect()
    try {
      return (await client.query(text)).rows
    } finally {
      await client.end()
    }
  }

  /** Temporary folders of servers that are no more. */
  leftFolders() {
    const own = `undo-ink-${this.server.pid}-`
    return readdirSync(tmpdir()).filter((name) => /^undo-ink-\d+-/.test(name) && !name.startsWith(own))
  }
}

function ended(child, signal) {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve()
    child.once('exit', resolve)
    child.kill(signal)
  })
}
