import { randomBytes } from 'node:crypto'
import { visitSchema } from '@undo-ink/contracts'
import { encode } from '@undo-ink/core'
import { type RequestHandler, Router } from 'express'
import { lookup } from 'mime-types'
import type { Config } from '../../config.ts'
import type { FileRow, VisitorNameRow } from '../../db/models.ts'
import { answer, idOf } from '../../http/answer.ts'
import { appOrigins } from '../../http/hosts.ts'
import { Refusal } from '../../http/problem.ts'
import { requireAudit } from '../audit/service.ts'
import { loadBytes } from '../audit/store.ts'
import { requirePlan } from '../plans/service.ts'
import { rewriteFile, rewritingOf } from '../rewrite/service.ts'
import { listFiles } from '../sites/store.ts'
import { agentScript } from './agent.ts'
import { findFirstFile, visitorNamesOf } from './store.ts'

/** Tells the application where the pages of a plan's site can be looked at. */
export function visitRoutes(config: Config): Router {
  const router = Router()
  router.get('/plans/:id/visit', async (req, res) => {
    const plan = await requirePlan(idOf(req.params.id))
    const names = await visitorNamesOf(plan.snapshotId)
    const origin = (planId: string | null) => {
      const name = names.find((each) => each.planId === planId)
      return `http://${name?.token}.${config.visitorDomain}:${req.socket.localPort}`
    }
    const pages = (await listFiles(plan.snapshotId)).filter(
      ({ syntax, sha256 }) => syntax === 'html' && sha256 !== null,
    )
    answer(res, visitSchema, {
      before: origin(null),
      after: origin(plan.id),
      pages: pages.map(({ path }) => path).toSorted(byDepthAndIndex),
    })
  })
  return router
}

/** A site's front page comes first: the highest folder, `index` before others. */
function byDepthAndIndex(a: string, b: string): number {
  const rank = (path: string) => path.split('/').length * 2 - (/(?:^|\/)index\.\w+$/.test(path) ? 1 : 0)
  return rank(a) - rank(b) || (a < b ? -1 : 1)
}

/** Serves a snapshot under its own name, as received or as the plan has it now. Nothing but the agent runs there. */
export function serveVisitor(config: Config): RequestHandler {
  return async (req, res) => {
    const name = res.locals.visitor as VisitorNameRow
    if (req.method !== 'GET' && req.method !== 'HEAD') throw new Refusal('not-found', 'There is nothing here')
    const nonce = randomBytes(16).toString('base64')
    const origins = appOrigins(config, req.socket.localPort)
    res.set({
      'Content-Security-Policy': policy(nonce, origins),
      'Cache-Control': 'no-store',
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
      'Cross-Origin-Resource-Policy': 'same-origin',
      'Permissions-Policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()',
    })
    const file = await findFirstFile(name.snapshotId, candidates(req.path))
    if (!file) {
      res.status(404).type('text/plain').send(`The copy has no file ${req.path}`)
      return
    }
    const bytes = await bytesOf(name, file)
    res.setHeader('Content-Type', lookup(file.path) || 'application/octet-stream')
    res.end(file.syntax === 'html' ? withAgent(bytes, file, nonce, origins) : bytes)
  }
}

async function bytesOf(name: VisitorNameRow, file: FileRow): Promise<Buffer> {
  if (name.planId === null || name.planId === undefined) return loadBytes(file.sha256 as string)
  await requireAudit(name.snapshotId)
  return rewriteFile(file, await rewritingOf(await requirePlan(name.planId)))
}

/** Only the copy's own styles, pictures and fonts load; only the agent runs; only the application may frame it. */
function policy(nonce: string, origins: readonly string[]): string {
  return [
    "default-src 'none'",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self' data:",
    "media-src 'self'",
    `script-src 'nonce-${nonce}'`,
    "base-uri 'self'",
    "form-action 'none'",
    `frame-ancestors ${origins.join(' ')}`,
    'sandbox allow-scripts allow-same-origin',
  ].join('; ')
}

/** The file itself, the index of a folder, or the page without its ending, as web servers do. */
function candidates(requestPath: string): string[] {
  let path: string
  try {
    path = decodeURIComponent(requestPath).replace(/^\/+/, '')
  } catch {
    return []
  }
  const folder = path === '' || path.endsWith('/') ? path : `${path}/`
  return [path, `${folder}index.html`, `${folder}index.htm`, `${path}.html`].filter(Boolean)
}

/** Behind the last byte of the page, so that nothing before it moves: the parser puts a script found there into the body. */
function withAgent(bytes: Buffer, file: FileRow, nonce: string, origins: readonly string[]): Buffer {
  const script = `<script nonce="${nonce}">${agentScript(origins)}</script>`
  const wide = file.encoding === 'utf-16le' || file.encoding === 'utf-16be'
  const added = wide ? Buffer.from(encode(script, file.encoding as 'utf-16le')).subarray(2) : Buffer.from(script)
  return Buffer.concat([bytes, added])
}
