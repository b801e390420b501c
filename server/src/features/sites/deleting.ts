import type { DeletedSite } from '@undo-ink/contracts'
import { Op, QueryTypes, type Sequelize, UniqueConstraintError } from 'sequelize'
import { ClientRow, SiteRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { refuseBusy } from '../jobs/store.ts'
import { findSite } from './store.ts'

/** Days in which what was deleted can be brought back. */
const DAYS = 30
const DAY = 24 * 60 * 60 * 1000

/** Gives a site another name. */
export async function renameSite(id: string, name: string): Promise<void> {
  const site = await findSite(id)
  if (!site) throw new Refusal('not-found', 'There is no such site')
  await site.update({ name }).catch(whenTaken(`There is a site called ${name} already`))
}

/** Gives a client another name. */
export async function renameClient(id: string, name: string): Promise<void> {
  const client = await ClientRow.findOne({ where: { id, deletedAt: null } })
  if (!client) throw new Refusal('not-found', 'There is no such client')
  await client.update({ name }).catch(whenTaken(`There is a client called ${name} already`))
}

/** Deletes a site, so that it can be brought back. */
export async function deleteSite(id: string): Promise<void> {
  const site = await findSite(id)
  if (!site) throw new Refusal('not-found', 'There is no such site')
  await refuseBusy(id)
  await site.update({ deletedAt: new Date() })
}

/** Deletes a client with all sites, as one: they come back one by one, the client with the first. */
export async function deleteClient(sequelize: Sequelize, id: string): Promise<void> {
  const client = await ClientRow.findOne({ where: { id, deletedAt: null } })
  if (!client) throw new Refusal('not-found', 'There is no such client')
  const sites = await SiteRow.findAll({ where: { clientId: id, deletedAt: null } })
  for (const site of sites) await refuseBusy(site.id)
  const deletedAt = new Date()
  await sequelize.transaction(async (transaction) => {
    await SiteRow.update({ deletedAt }, { where: { clientId: id, deletedAt: null }, transaction })
    await client.update({ deletedAt }, { transaction })
  })
}

/** What was deleted and can be brought back, the latest first. */
export async function listDeleted(): Promise<DeletedSite[]> {
  const since = new Date(Date.now() - DAYS * DAY)
  const sites = await SiteRow.findAll({ where: { deletedAt: { [Op.gt]: since } }, order: [['deletedAt', 'DESC']] })
  const clients = await ClientRow.findAll({ where: { id: sites.map(({ clientId }) => clientId) } })
  return sites.map(({ id, name, clientId, deletedAt }) => ({
    ...{ id, name },
    client: clients.find((client) => client.id === clientId)?.name ?? '',
    deletedAt: (deletedAt as Date).toISOString(),
    goneAt: new Date((deletedAt as Date).getTime() + DAYS * DAY).toISOString(),
  }))
}

/** Brings a site back, and its client where that was deleted too. */
export async function restoreSite(sequelize: Sequelize, id: string): Promise<void> {
  const site = await SiteRow.findOne({ where: { id, deletedAt: { [Op.ne]: null } } })
  if (!site) throw new Refusal('not-found', 'There is no such site to bring back')
  await sequelize
    .transaction(async (transaction) => {
      await ClientRow.update({ deletedAt: null }, { where: { id: site.clientId }, transaction })
      await site.update({ deletedAt: null }, { transaction })
    })
    .catch(whenTaken(`There is a site or a client of that name by now: rename that first`))
}

/** Lets go of what was deleted more than 30 days ago, with the bytes that no other copy holds. */
export async function forgetDeleted(sequelize: Sequelize): Promise<void> {
  await sequelize.query("SELECT forget_deleted(now() - interval '30 days')", { type: QueryTypes.SELECT })
}

function whenTaken(title: string): (error: unknown) => never {
  return (error) => {
    if (error instanceof UniqueConstraintError) throw new Refusal('conflict', title, 'Give it another name.')
    throw error
  }
}
