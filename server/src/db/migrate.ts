import { QueryTypes, type Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import type { Migration } from './migration.ts'
import { everyTextRead } from './migrations/2026-11-25-every-text-read.ts'
import { fileChoice } from './migrations/2026-11-25-file-choice.ts'
import { firstSlice } from './migrations/2026-11-25-first-slice.ts'
import { jobs } from './migrations/2026-11-25-jobs.ts'
import { madeRoles } from './migrations/2026-11-25-made-roles.ts'
import { readingVersion } from './migrations/2026-11-25-reading-version.ts'
import { roleJobs } from './migrations/2026-11-25-role-jobs.ts'
import { views } from './migrations/2026-11-25-views.ts'
import { words } from './migrations/2026-11-25-words.ts'
import { clientPalettes } from './migrations/2026-11-26-client-palettes.ts'
import { forgetting } from './migrations/2026-11-30-forgetting.ts'
import { names } from './migrations/2026-12-01-names.ts'
import { pagesOfJobs } from './migrations/2026-12-01-pages-of-jobs.ts'
import { totals } from './migrations/2026-12-01-totals.ts'
import { compression } from './migrations/2026-12-02-compression.ts'
import { pagesOfAudits } from './migrations/2026-12-02-pages-of-audits.ts'

export const MIGRATIONS: readonly Migration[] = [
  firstSlice,
  readingVersion,
  fileChoice,
  everyTextRead,
  jobs,
  views,
  words,
  roleJobs,
  madeRoles,
  clientPalettes,
  forgetting,
  totals,
  pagesOfJobs,
  names,
  compression,
  pagesOfAudits,
]

/** Any number that no other program takes as its advisory lock. */
const LOCK = 4_600_001

/** Brings the schema up to date. Several servers may start at once: the first one migrates, the others wait for it. */
export async function migrate(sequelize: Sequelize): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await sequelize.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCK], transaction, type: QueryTypes.SELECT })
    await new Umzug({
      migrations: MIGRATIONS.map(({ name, up }) => ({ name, up: () => inTransaction(sequelize, up) })),
      storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
      logger: undefined,
    }).up()
  })
}

async function inTransaction(sequelize: Sequelize, sql: string): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await sequelize.query(sql, { transaction })
  })
}
