import type { RequestHandler } from 'express'
import type { Config } from '../config.ts'
import { findVisitorName } from '../features/visitor/store.ts'
import { Refusal } from './problem.ts'

/** The origins under which the application itself is reached at a port. */
export function appOrigins(config: Config, port: number | undefined): string[] {
  return config.appHosts.map((host) => `http://${host}:${port}`)
}

/**
 * Tells the application's host names from a visitor's and answers to no others, so that no foreign name can be pointed at this server.
 * On a visitor's name `res.locals.visitor` is set.
 */
export function knownHosts(config: Config): RequestHandler {
  const suffix = `.${config.visitorDomain}`
  return async (req, res, next) => {
    const named = req.rawHeaders.filter((name, i) => i % 2 === 0 && name.toLowerCase() === 'host').length
    const [, host = '', port = '80'] = /^(.*?)(?::(\d+))?$/.exec((req.headers.host ?? '').toLowerCase()) ?? []
    if (named !== 1 || Number(port) !== req.socket.localPort)
      throw new Refusal('unknown-host', 'This server does not answer to that name')
    if (config.appHosts.includes(host)) return next()
    const visitor = host.endsWith(suffix) ? await findVisitorName(host.slice(0, -suffix.length)) : null
    if (!visitor) throw new Refusal('unknown-host', 'This server does not answer to that name')
    res.locals.visitor = visitor
    next()
  }
}

/**
 * Other sites' pages may not ask anything of the API, whatever the method: who asks is the application itself, or no page. Browsers say which
 * (Fetch Metadata), and where they do not, at least the origin of what may change something.
 */
export function sameOriginOnly(config: Config): RequestHandler {
  return (req, _res, next) => {
    const { origin } = req.headers
    const site = req.get('sec-fetch-site') ?? 'none'
    const isOurs = origin === undefined || appOrigins(config, req.socket.localPort).includes(origin)
    if (!isOurs || (site !== 'same-origin' && site !== 'none'))
      throw new Refusal('forbidden', 'Requests from other sites are refused')
    next()
  }
}
