import { randomBytes } from 'node:crypto'
import { visitSchema } from '@undo-ink/contracts'
import { type AddressResolver, addressOf, encode, pathAt, resolverOf, servedPaths } from '@undo-ink/core'
import { type RequestHandler, Router } from 'express'
import { lookup } from 'mime-types'
import type { Config } from '../../config.ts'
import type { FileRow, VisitorNameRow } from '../../db/models.ts'
import { answer, idOf } from '../../http/answer.ts'
import { appOrigins } from '../../http/hosts.ts'
import { Refusal } from '../../http/problem.ts'
import { requireAudit } from '../audit/service.ts'
import { requirePlan } from '../plans/service.ts'
import type { Rewriting, Writer } from '../rewrite/writer.ts'
import { agentScript } from './agent/agent.ts'
import { findFirstFile, keptPaths, visitorNamesOf } from './store.ts'

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
    answer(res, visitSchema, { before: origin(null), after: origin(plan.id) })
  })
  return router
}

/** Serves a snapshot under its own name, as received or as the plan has it now. Nothing but the agent runs there. */
export function serveVisitor(config: Config, writer: Writer): RequestHandler {
  return async (req, res) => {
    const name = res.locals.visitor as VisitorNameRow
    if (req.method !== 'GET' && req.method !== 'HEAD') throw new Refusal('not-found', 'There is nothing here')
    const nonce = randomBytes(16).toString('base64')
    const origins = appOrigins(config, req.socket.localPort)
    res.set({
      'Content-Security-Policy': policy(nonce, origins),
      'Cache-Control': 'no-store',
      'X-Content-Type-Options': 'nosniff',
      'X-DNS-Prefetch-Control': 'off',
      // Its own pages say which of them asks: addresses from the root start in the folder that holds the site.
      'Referrer-Policy': 'same-origin',
      'Cross-Origin-Resource-Policy': 'same-origin',
      'Permissions-Policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()',
    })
    const found = await resolve(name.snapshotId, req.path, req.get('referer'))
    if (found === null) {
      const dest = req.get('sec-fetch-dest')
      // What a page lacks it lacks: only who goes there is told, the page's own requests get nothing.
      if (dest === 'style') res.type('text/css').send('')
      else if (dest !== undefined && SUBRESOURCES.has(dest)) res.status(204).end()
      else res.status(404).type('text/plain').send(`The copy has no file ${req.path}`)
      return
    }
    if ('redirect' in found) {
      res.redirect(302, found.redirect)
      return
    }
    const { file } = found
    const type = typeOf(file)
    // Switched off there is what would be refused: no page may fill the console with errors of ours.
    const quiet = type === HTML ? 'page' : type === 'text/css' ? 'sheet' : null
    const rewriting = name.planId ? await rewritingOf(name.snapshotId, name.planId, writer) : null
    const bytes = await writer.bytesOf(file, rewriting, quiet)
    res.setHeader('Content-Type', type)
    res.end(type === HTML ? withAgent(bytes, file, nonce, agentScript(origins, rewriting?.version ?? null)) : bytes)
  }
}

const HTML = 'text/html'

/** What pages fetch, as browsers call it (Fetch, request destinations). */
const SUBRESOURCES: ReadonlySet<string> = new Set(['audio', 'font', 'image', 'track', 'video'])

/** By its name; a template is what it makes: `main.css.liquid` a sheet, all others pages. */
function typeOf({ path, syntax }: FileRow): string {
  if (syntax === 'html') return HTML
  const type = lookup(syntax === 'template' ? path.replace(/\.[^./]+$/, '') : path)
  return type || (syntax === 'template' ? HTML : 'application/octet-stream')
}

async function rewritingOf(snapshotId: string, planId: string, writer: Writer): Promise<Rewriting> {
  await requireAudit(snapshotId)
  return writer.rewriting(await requirePlan(planId))
}

/** The file at an address, or where else it is: an address from the root of a site that lies in a folder of the copy, as the page that asks tells. */
async function resolve(
  snapshotId: string,
  path: string,
  referer: string | undefined,
): Promise<{ readonly file: FileRow } | { readonly redirect: string } | null> {
  const from = pathAt(referer && URL.canParse(referer) ? new URL(referer).pathname : '/')
  const direct = await findFirstFile(snapshotId, servedPaths(pathAt(path)))
  if (direct) return { file: direct }
  const elsewhere = (await resolverFor(snapshotId)).address(`/${path.slice(1)}`, from, null)
  return elsewhere === null ? null : { redirect: addressOf(elsewhere) }
}

/** Of the copy that was asked last: a page asks for many files at once, and a copy never changes. */
let lastAsked: { readonly snapshotId: string; readonly resolver: Promise<AddressResolver> } | null = null

function resolverFor(snapshotId: string): Promise<AddressResolver> {
  if (lastAsked?.snapshotId !== snapshotId) {
    const resolver = keptPaths(snapshotId).then(resolverOf)
    lastAsked = { snapshotId, resolver }
    resolver.catch(() => {
      lastAsked = null
    })
  }
  return lastAsked.resolver
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

/** Behind the last byte of the page, so that nothing before it moves: the parser puts a script found there into the body. */
function withAgent(bytes: Buffer, file: FileRow, nonce: string, agent: string): Buffer {
  const script = `<script nonce="${nonce}">${agent}</script>`
  const wide = file.encoding === 'utf-16le' || file.encoding === 'utf-16be'
  const added = wide ? Buffer.from(encode(script, file.encoding as 'utf-16le')).subarray(2) : Buffer.from(script)
  return Buffer.concat([bytes, added])
}
