import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import type { Config } from './config.ts'
import { Reader } from './features/audit/reader.ts'
import { auditWork, requestOutdated } from './features/audit/service.ts'
import { intakeWork } from './features/intake/service.ts'
import { Queue } from './features/jobs/queue.ts'
import { forgetDeleted } from './features/sites/deleting.ts'
import { sweepFolders } from './folders.ts'

/** What this process does beside answering: the jobs of the database. */
export interface Work {
  close(): Promise<void>
}

/** Milliseconds. */
const EVERY_DAY = 24 * 60 * 60 * 1000

/** Begins to run jobs, those first that are left from before. */
export async function startWork(
  { databaseUrl, databaseDir }: Pick<Config, 'databaseUrl' | 'databaseDir'>,
  sequelize: Sequelize,
  logger: Logger,
): Promise<Work> {
  await sweepFolders()
  const reader = new Reader(sequelize)
  const work = { intake: intakeWork(sequelize, reader, databaseDir), audit: auditWork(sequelize, reader) }
  const queue = await Queue.start({ databaseUrl, sequelize, work, logger })
  await requestOutdated(sequelize)
  await forgetDeleted(sequelize)
  const forgetting = setInterval(() => {
    forgetDeleted(sequelize).catch((err: unknown) => logger.error({ err }, 'what was deleted could not be let go'))
  }, EVERY_DAY)
  forgetting.unref()
  return {
    async close() {
      clearInterval(forgetting)
      await queue.close()
      await reader.close()
    },
  }
}
