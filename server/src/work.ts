import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { Reader } from './features/audit/reader.ts'
import { auditWork, requestOutdated } from './features/audit/service.ts'
import { intakeWork } from './features/intake/service.ts'
import { Queue } from './features/jobs/queue.ts'

/** What this process does beside answering: the jobs of the database. */
export interface Work {
  close(): Promise<void>
}

/** Begins to run jobs, those first that are left from before. */
export async function startWork(databaseUrl: string, sequelize: Sequelize, logger: Logger): Promise<Work> {
  const reader = new Reader()
  const work = { intake: intakeWork(sequelize, reader), audit: auditWork(sequelize, reader) }
  const queue = await Queue.start({ databaseUrl, sequelize, work, logger })
  await requestOutdated(sequelize)
  return {
    async close() {
      await queue.close()
      await reader.close()
    },
  }
}
