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
    const host = (req.headers.host ?? '').toLowerCase().replace(/:\d+$/, '')
    if (config.appHosts.includes(host)) return next()
    const visitor = host.endsWith(suffix) ? await findVisitorName(host.slice(0, -suffix.length)) : null
    if (!visitor) throw new Refusal('unknown-host', 'This server does not answer to that name')
    res.locals.visitor = visitor
    next()
  }
}

/** Other sites' pages may not make this server do anything: whoever changes something comes from the application itself, or from no page. */
export function sameOriginOnly(config: Config): RequestHandler {
  return (req, _res, next) => {
    const { origin } = req.headers
    const safe = req.method === 'GET' || req.method === 'HEAD' || origin === undefined
    if (!safe && !appOrigins(config, req.socket.localPort).includes(origin))
      throw new Refusal('bad-request', 'Requests from other sites are refused')
    next()
  }
}
