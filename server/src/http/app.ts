import { join } from 'node:path'
import express, { type Express } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import type { Sequelize } from 'sequelize'
import type { Config } from '../config.ts'
import { auditRoutes } from '../features/audit/routes.ts'
import { intakeRoutes } from '../features/intake/routes.ts'
import type { UploadLimits } from '../features/intake/uploads.ts'
import { jobRoutes } from '../features/jobs/routes.ts'
import { paletteRoutes } from '../features/palettes/routes.ts'
import { planRoutes } from '../features/plans/routes.ts'
import { rewriteRoutes } from '../features/rewrite/routes.ts'
import type { Writer } from '../features/rewrite/writer.ts'
import { siteRoutes } from '../features/sites/routes.ts'
import { viewRoutes } from '../features/views/routes.ts'
import { serveVisitor, visitRoutes } from '../features/visitor/routes.ts'
import { knownHosts, sameOriginOnly } from './hosts.ts'
import { answerProblem, Refusal } from './problem.ts'
import { soundTexts } from './texts.ts'

interface Parts {
  readonly config: Config
  readonly sequelize: Sequelize
  readonly logger: Logger
  readonly writer: Writer
  /** Left out: as is stated on the screen. */
  readonly uploads?: UploadLimits
}

/** The whole HTTP face: the application under its own names, and every visitor name. */
export function makeApp(parts: Parts): Express {
  const { config, sequelize, logger, writer } = parts
  const app = express()
  app.disable('x-powered-by')
  // Headers hold visitor names, which are secrets: neither they nor query texts are logged.
  app.use(
    pinoHttp({
      logger,
      serializers: {
        req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
          id,
          method,
          path: url.split('?')[0],
        }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      },
    }),
  )
  app.use(knownHosts(config))
  const visitor = serveVisitor(config, writer)
  app.use((req, res, next) => (res.locals.visitor ? visitor(req, res, next) : next()))

  app.use(headers(config))
  app.use('/api', sameOriginOnly(config))
  app.get('/health', async (_req, res) => {
    await sequelize.query('SELECT 1')
    res.json({ status: 'ok' })
  })
  app.use('/api', (_req, res, next) => {
    res.set('Cache-Control', 'no-store')
    next()
  })
  app.use('/api', express.json({ limit: '4mb' }), soundTexts, apiRoutes(parts))
  app.use('/api', () => {
    throw new Refusal('not-found', 'There is nothing here')
  })
  if (config.webDir) serveInterface(app, config.webDir)
  app.use(answerProblem)
  return app
}

function apiRoutes({ config, sequelize, writer, uploads }: Parts) {
  return [
    siteRoutes(sequelize, writer),
    intakeRoutes(sequelize, config, uploads),
    auditRoutes(sequelize),
    jobRoutes(sequelize),
    planRoutes(sequelize),
    paletteRoutes(),
    rewriteRoutes(writer),
    visitRoutes(config),
    viewRoutes(),
  ]
}

function headers(config: Config) {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // The style library puts its rules into style elements while it runs.
        styleSrc: ["'self'", "'unsafe-inline'"],
        // An image that a color is picked from is drawn from its bytes.
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        // Of this server alone: a framed page that leads itself elsewhere leads to nothing.
        frameSrc: [(req) => `http://*.${config.visitorDomain}:${req.socket.localPort}`],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Plain HTTP on loopback: there is no secure origin to hold browsers to.
    strictTransportSecurity: false,
    referrerPolicy: { policy: 'no-referrer' },
  })
}

/** Built files have a hash in their names and never change; every other address is a screen of the interface. */
function serveInterface(app: Express, webDir: string): void {
  app.use('/assets', express.static(join(webDir, 'assets'), { immutable: true, maxAge: '1y', index: false }))
  app.use(express.static(webDir, { index: false, maxAge: 0 }))
  app.get('/{*screen}', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html'))
  })
}
