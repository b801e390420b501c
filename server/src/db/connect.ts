import { Sequelize } from 'sequelize'
import { migrate } from './migrate.ts'
import { initModels } from './models.ts'

/** Connects, brings the schema up to date and binds the models. Throws when the database cannot be reached. */
export async function connect(databaseUrl: string): Promise<Sequelize> {
  const sequelize = new Sequelize(databaseUrl, { dialect: 'postgres', logging: false, pool: { max: 10 } })
  await sequelize.authenticate()
  await migrate(sequelize)
  initModels(sequelize)
  return sequelize
}
