import { type ChildProcess, fork } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import pg from 'pg'

export const ROOT = join(import.meta.dirname, '..')

/** The built application on a database of its own. */
export class AppServer {
  readonly databaseUrl: string
  private child: ChildProcess | null = null
  private port = 0

  private constructor(databaseUrl: string) {
    this.databaseUrl = databaseUrl
  }

  static async make(): Promise<AppServer> {
    const base = process.env.TEST_DATABASE_URL
    if (!base) throw new Error('TEST_DATABASE_URL is not set: npm test sets it')
    const name = `e_${randomBytes(8).toString('hex')}`
    const client = new pg.Client(base)
    await client.connect()
    await client.query(`CREATE DATABASE ${name}`)
    await client.end()
    const server = new AppServer(Object.assign(new URL(base), { pathname: `/${name}` }).href)
    await server.start()
    return server
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** Posts to the API and gives its answer; a refusal fails the test. */
  // biome-ignore lint/suspicious/noExplicitAny: what a test asks for is checked by what it expects
  async post(path: string, body: FormData | object): Promise<any> {
    const answer = await fetch(
      this.url + path,
      body instanceof FormData
        ? { method: 'POST', body }
        : { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) },
    )
    if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`)
    return answer.json()
  }

  /** The site, when no job works on it any more. */
  // biome-ignore lint/suspicious/noExplicitAny: what a test asks for is checked by what it expects
  async whenDone(siteId: string): Promise<any> {
    for (;;) {
      const site = (await (await fetch(`${this.url}/api/sites/${siteId}`)).json()) as { job: { state: string } | null }
      if (!['waiting', 'running'].includes(site.job?.state ?? '')) return site
      await wait(50)
    }
  }

  /** Starts; after a stop on the same port, so that open pages find it again. */
  async start(): Promise<void> {
    const child = fork(join(ROOT, 'server/dist/main.js'), {
      env: {
        ...process.env,
        NODE_ENV: 'test',
        DATABASE_URL: this.databaseUrl,
        PORT: String(this.port),
        LOG_LEVEL: 'error',
        DEMO_DIR: join(ROOT, 'demo'),
        WEB_DIR: join(ROOT, 'web/dist'),
      },
    })
    this.child = child
    this.port = await new Promise<number>((resolve, reject) => {
      child.once('message', (message) => resolve((message as { listening: number }).listening))
      child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
    })
  }

  /** Ends the process as a crash would (SIGKILL), or as asked to (SIGTERM). */
  async end(signal: 'SIGKILL' | 'SIGTERM'): Promise<void> {
    const { child } = this
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    await new Promise<void>((resolve) => {
      child.once('exit', () => resolve())
      child.kill(signal)
    })
  }
}
