import * as z from 'zod'

const schema = z.object({
  DATABASE_URL: z.string().min(1),
  HOST: z.string().default('127.0.0.1'),
  PORT: z.coerce.number().int().min(0).max(65_535).default(4600),
  /** Copies are shown under TOKEN.VISITOR_DOMAIN; browsers resolve all of localhost to loopback. */
  VISITOR_DOMAIN: z.string().default('localhost'),
  /** Further host names, separated by commas, under which the application itself answers. */
  APP_HOSTS: z.string().default(''),
  /** Folder of the database, where it is on this machine: its disk is looked at before an intake. */
  DATABASE_DIR: z.string().optional(),
  /** Folder with the demo site; loaded once into a database that has never had it. */
  DEMO_DIR: z.string().optional(),
  /** Folder with the built interface. */
  WEB_DIR: z.string().optional(),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']).default('info'),
})

export interface Config {
  readonly databaseUrl: string
  readonly host: string
  readonly port: number
  readonly visitorDomain: string
  readonly appHosts: readonly string[]
  readonly databaseDir: string | undefined
  readonly demoDir: string | undefined
  readonly webDir: string | undefined
  readonly logLevel: string
}

/** Reads the environment; throws with the name of each variable that is wrong. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const values = schema.parse(env)
  return {
    databaseUrl: values.DATABASE_URL,
    host: values.HOST,
    port: values.PORT,
    visitorDomain: values.VISITOR_DOMAIN,
    appHosts: ['127.0.0.1', 'localhost', ...values.APP_HOSTS.split(',').filter(Boolean)],
    databaseDir: values.DATABASE_DIR,
    demoDir: values.DEMO_DIR,
    webDir: values.WEB_DIR,
    logLevel: values.LOG_LEVEL,
  }
}
