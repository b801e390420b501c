import { request } from 'node:http'
import { connect as connectTo } from 'node:net'
import { addressOf, quietPage } from '@undo-ink/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { type Harness, siteWith, startServer } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

interface Answer {
  readonly status: number
  readonly headers: Record<string, string | string[] | undefined>
  readonly body: string
}

/** A request under any host name, as a browser would send it. */
function ask(host: string, path: string, { method = 'GET', headers = {} } = {}): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const req = request(
      { host: '127.0.0.1', port: harness.port, path, method, headers: { ...headers, host: `${host}:${harness.port}` } },
      (res) => {
        let body = ''
        res.setEncoding('utf8')
        res.on('data', (chunk) => {
          body += chunk
        })
        res.on('end', () => resolve({ status: res.statusCode ?? 0, headers: res.headers, body }))
      },
    )
    req.on('error', reject)
    req.end()
  })
}

const PAGE = '<!doctype html><title>é</title><script>alert(1)</script><p style="color:#7a2433">'

async function visit(name: string) {
  const { planId } = await siteWith(harness, name, {
    'index.html': PAGE,
    'css/a.css': 'a{color:red}',
    'sub/page.html': PAGE,
  })
  const { body } = await harness.http.get(`/api/plans/${planId}/visit`).expect(200)
  return { planId, before: new URL(body.before).hostname, after: new URL(body.after).hostname }
}

describe('the two origins', () => {
  it('are told apart by host name; other names get no answer', async () => {
    expect((await ask('localhost', '/health')).status).toBe(200)
    for (const host of ['evil.example', 'nosuchtoken.localhost', 'localhost.evil.example', ''])
      expect((await ask(host, '/health')).status).toBe(421)
  })

  it('pages come under an unguessable name of each copy, bytes first, the agent behind them', async () => {
    const { before, after } = await visit('Visit')
    expect(before).toMatch(/^v[0-9a-f]{40}\.localhost$/)
    expect(after).not.toBe(before)
    const { body, headers } = await ask(before, '/')
    const page = quietPage(PAGE)
    expect(body.startsWith(page)).toBe(true)
    expect(headers['content-type']).toBe('text/html')
    const nonce = /<script nonce="([^"]+)">/.exec(body.slice(page.length))?.[1]
    expect(headers['content-security-policy']).toContain(`script-src 'nonce-${nonce}'`)
    expect((await ask(before, '/sub/page')).status).toBe(200)
    expect((await ask(before, '/css/a.css')).body).toBe('a{color:red}')
    expect((await ask(before, '/nosuch.css')).status).toBe(404)
    expect((await ask(before, '/%E0%A4%A')).status).toBe(404)
    // Of what a page asks for itself browsers tell an error: what is not there is nothing.
    const from = (dest: string) => ask(before, '/nosuch.css', { headers: { 'sec-fetch-dest': dest } })
    expect([(await from('image')).status, (await from('document')).status]).toEqual([204, 404])
    const sheet = await from('style')
    expect([sheet.status, sheet.body, sheet.headers['content-type']]).toEqual([200, '', 'text/css; charset=utf-8'])
  })

  it('find addresses from the root of a site that lies in a folder of the copy, as the reader does', async () => {
    const { planId } = await siteWith(harness, 'In a folder', {
      'dist/index.html': '<!doctype html><link rel=stylesheet href="/css/a b.css">',
      'dist/css/a b.css': 'a{color:red}',
      'index.php': '<!doctype html><?php head() ?>',
      'main.css.liquid': 'a{color:red}',
    })
    const { body } = await harness.http.get(`/api/plans/${planId}/visit`).expect(200)
    const before = new URL(body.before).hostname
    const referer = `${body.before}/dist/index.html`
    const found = await ask(before, '/css/a%20b.css', { headers: { referer } })
    expect([found.status, found.headers.location]).toEqual([302, '/dist/css/a%20b.css'])
    expect((await ask(before, '/css/a%20b.css')).status).toBe(404)
    expect((await ask(before, '/css/nosuch.css', { headers: { referer } })).status).toBe(404)
    const [page, sheet] = [await ask(before, '/index.php'), await ask(before, '/main.css.liquid')]
    expect([page.headers['content-type'], page.body.includes('<script nonce=')]).toEqual(['text/html', true])
    expect(sheet.headers['content-type']).toBe('text/css')
  })

  it('let inherited pages do nothing and reach nothing', async () => {
    const { before } = await visit('Closed')
    const { headers } = await ask(before, '/')
    const policy = String(headers['content-security-policy'])
    for (const part of [
      "default-src 'none'",
      "form-action 'none'",
      'sandbox allow-scripts allow-same-origin',
      `frame-ancestors http://127.0.0.1:${harness.port}`,
    ])
      expect(policy).toContain(part)
    expect(policy).not.toMatch(/script-src[^;]*unsafe/)
    expect((await ask(before, '/api/sites')).status).toBe(404)
    expect((await ask(before, '/', { method: 'POST' })).status).toBe(404)
    expect(headers['x-content-type-options']).toBe('nosniff')
  })

  it('keep the application out of frames and other sites out of the application', async () => {
    const { headers } = await ask('localhost', '/api/sites')
    expect(String(headers['content-security-policy'])).toContain("frame-ancestors 'none'")
    expect(headers['x-powered-by']).toBeUndefined()
    const { before } = await visit('Foreign')
    for (const origin of ['http://evil.example', `http://${before}:${harness.port}`, 'null'])
      expect((await ask('localhost', '/api/sites', { method: 'POST', headers: { origin } })).status).toBe(403)
    // Browsers that send no origin say all the same whose page asks.
    const from = async (site: string, method = 'GET') =>
      (await ask('localhost', '/api/sites', { method, headers: { 'sec-fetch-site': site } })).status
    expect([await from('cross-site'), await from('same-site'), await from('cross-site', 'POST')]).toEqual([
      403, 403, 403,
    ])
    expect([await from('same-origin'), await from('none')]).toEqual([200, 200])
    expect(headers['cache-control']).toBe('no-store')
    expect(String(headers['content-security-policy'])).toContain(`frame-src http://*.localhost:${harness.port};`)
  })

  it('answer to one name at their own port alone', async () => {
    const status = (lines: string) =>
      new Promise<string>((resolve, reject) => {
        const socket = connectTo(harness.port, '127.0.0.1', () =>
          socket.write(`GET /health HTTP/1.1\r\nConnection: close\r\n${lines}\r\n\r\n`),
        )
        socket.once('data', (data) => resolve(String(data).slice(9, 12)))
        socket.once('error', reject)
      })
    const host = `Host: localhost:${harness.port}`
    expect(await status(host)).toBe('200')
    for (const other of ['Host: localhost', 'Host: localhost:1', `${host}\r\n${host}`, `${host}\r\nHOST: evil.example`])
      expect(await status(other)).toBe('421')
  })

  it('serve files of any name at their addresses', async () => {
    const names = ['100%.html', '#hash.html', 'q?x=1.html', 'a%20b.html', `${'é'.repeat(250)}.html`]
    const { planId } = await siteWith(harness, 'Names', Object.fromEntries(names.map((name) => [name, `<p>${name}`])))
    const { body } = await harness.http.get(`/api/plans/${planId}/visit`).expect(200)
    for (const name of names)
      expect((await ask(new URL(body.before).hostname, addressOf(name))).body).toContain(`<p>${name}`)
  })
})

describe('errors', () => {
  it('are problem details', async () => {
    const missing = await harness.http.get('/api/nosuch').expect(404)
    expect(missing.type).toBe('application/problem+json')
    expect(missing.body).toEqual({
      type: '/problems/not-found',
      title: 'There is nothing here',
      status: 404,
      code: 'not-found',
    })
    const broken = await harness.http.post('/api/sites').set('Content-Type', 'application/json').send('{').expect(400)
    expect(broken.body.code).toBe('bad-request')
    const large = await harness.http
      .post('/api/sites')
      .send({ name: 'x'.repeat(5 * 1024 * 1024) })
      .expect(413)
    expect(large.body.code).toBe('too-large')
    await harness.http.get('/api/sites/not-an-id').expect(404)
    for (const name of ['a\u0000', '\ud800', '\udc00a'])
      expect((await harness.http.post('/api/sites').send({ name }).expect(400)).body.code).toBe('bad-request')
    for (const charset of ['utf-16', 'iso-8859-1', 'nosuch'])
      await harness.http
        .post('/api/sites')
        .set('Content-Type', `application/json; charset=${charset}`)
        .send(Buffer.from('{}'))
        .expect(400)
  })
})
