import { randomUUID } from 'node:crypto'
import { type ListedClient, type NewSite, SITES_ON_PAGE, type SiteSearch } from '@undo-ink/contracts'
import { READING_VERSION, type Role } from '@undo-ink/core'
import {
  col,
  ForeignKeyConstraintError,
  fn,
  Op,
  QueryTypes,
  type Sequelize,
  type Transaction,
  UniqueConstraintError,
  where,
} from 'sequelize'
import {
  type AuditRow,
  ClientRow,
  type CountedProgress,
  FileRow,
  PaletteRow,
  PlanRow,
  SiteRow,
  SnapshotRow,
} from '../../db/models.ts'
import { addPaletteVersion } from '../palettes/store.ts'

/** Whose a new site is: a client who is here, or a new one. */
export type Owner = NonNullable<NewSite['client']>

/** Why a site is not made: its name, or that of its new client, is taken, or there is no such client. */
export type NotMade = 'name-taken' | 'client-taken' | 'no-client'

/** Makes a site, for a new client with a palette, whose first version has the roles given. */
export async function createSite(
  sequelize: Sequelize,
  { name, client, roles }: { name: string; client: Owner; roles: readonly Role[] },
): Promise<SiteRow | NotMade> {
  try {
    return await sequelize.transaction(async (transaction) => {
      const clientId = 'id' in client ? client.id : await createClient(client.name, roles, transaction)
      if ((await ClientRow.count({ where: { id: clientId, deletedAt: null }, transaction })) === 0) return 'no-client'
      return SiteRow.create({ id: randomUUID(), clientId, name, createdAt: new Date() }, { transaction })
    })
  } catch (error) {
    if (error instanceof ForeignKeyConstraintError) return 'no-client'
    if (!(error instanceof UniqueConstraintError)) throw error
    // A new client is most often called as its site: then the site's name is what is told of.
    return (await SiteRow.count({
      where: { [Op.and]: [where(fn('lower', col('name')), name.toLowerCase()), { deletedAt: null }] },
    })) > 0
      ? 'name-taken'
      : 'client-taken'
  }
}

async function createClient(name: string, roles: readonly Role[], transaction: Transaction): Promise<string> {
  const { id } = await ClientRow.create({ id: randomUUID(), name }, { transaction })
  const palette = await PaletteRow.create({ id: randomUUID(), clientId: id }, { transaction })
  await addPaletteVersion(palette.id, 1, roles, transaction)
  return id
}

export function findClient(id: string): Promise<ClientRow> {
  return ClientRow.findByPk(id, { rejectOnEmpty: true })
}

/** A site as it is listed. */
export interface ListedSite extends Pick<AuditRow, 'places' | 'possible' | 'lead'> {
  readonly id: string
  readonly name: string
  readonly createdAt: Date
  readonly clientId: string
  readonly client: string
  /** null: it has no copy yet, and no plan. */
  readonly receivedAt: Date | null
  readonly planId: string | null
  readonly files: number
  readonly ofClient: number
  /** Whether today's readers have read its copy. */
  readonly isRead: boolean
  /** Whether its plan has events. */
  readonly isPlanned: boolean
  /** How far its plan was when that was counted last, and what it would be counted of now. */
  readonly counted: CountedProgress | null
  readonly of: string
}

/** What a text finds: a site by its name or by that of its client. */
const FOUND = `sites.deleted_at IS NULL AND strpos(lower(concat(sites.name, chr(10), clients.name)), lower($1)) > 0`

/**
 * One page of the sites that a text finds, newest first, with how many it finds and how many there are: one question for all. An audit is told
 * from the one before it by the transaction that wrote it.
 */
export async function listSites(
  sequelize: Sequelize,
  { text, page }: SiteSearch,
): Promise<{ found: number; all: number; sites: readonly ListedSite[] }> {
  const rows = await sequelize.query<{ found: number; all: number } & (ListedSite | { id: null })>(
    `SELECT counts.*, listed.* FROM
       (SELECT count(*) FILTER (WHERE ${FOUND})::integer AS found, count(*)::integer AS all
        FROM sites JOIN clients ON clients.id = client_id WHERE sites.deleted_at IS NULL) AS counts
     LEFT JOIN
       (SELECT sites.id, sites.name, sites.created_at AS "createdAt", clients.id AS "clientId", clients.name AS client,
         copy.received_at AS "receivedAt", plans.id AS "planId", coalesce(held.files, 0)::integer AS files,
         coalesce(audits.places, 0) AS places, coalesce(audits.possible, 0) AS possible, coalesce(audits.lead, '[]') AS lead,
         (SELECT count(*) FROM sites AS own WHERE own.client_id = clients.id AND own.deleted_at IS NULL)::integer AS "ofClient",
         coalesce(audits.reading_version = $2, false) AS "isRead", coalesce(events.version, 0) > 0 AS "isPlanned",
         plans.standing AS counted, concat_ws(' ', coalesce(events.version, 0), audits.xmin) AS "of"
       FROM (SELECT sites.* FROM sites JOIN clients ON clients.id = client_id
         WHERE ${FOUND} ORDER BY sites.created_at DESC, sites.id LIMIT $3 OFFSET $4) AS sites
       JOIN clients ON clients.id = client_id
       LEFT JOIN LATERAL (SELECT * FROM snapshots WHERE site_id = sites.id ORDER BY received_at DESC LIMIT 1) AS copy ON true
       LEFT JOIN LATERAL (SELECT count(*) AS files FROM files WHERE snapshot_id = copy.id) AS held ON true
       LEFT JOIN plans ON plans.snapshot_id = copy.id
       LEFT JOIN LATERAL (SELECT max(seq) AS version FROM plan_events WHERE plan_id = plans.id) AS events ON true
       LEFT JOIN audits ON audits.snapshot_id = copy.id) AS listed ON true
     ORDER BY listed."createdAt" DESC, listed.id`,
    { bind: [text, READING_VERSION, SITES_ON_PAGE, (page - 1) * SITES_ON_PAGE], type: QueryTypes.SELECT },
  )
  const { found, all } = rows[0] ?? { found: 0, all: 0 }
  return { found, all, sites: rows.flatMap((row) => (row.id === null ? [] : [row])) }
}

/** Everybody whose sites are here, by name. */
export function listClients(sequelize: Sequelize): Promise<ListedClient[]> {
  return sequelize.query<ListedClient>(
    `SELECT clients.id, clients.name, count(*)::integer AS sites
     FROM sites JOIN clients ON clients.id = client_id WHERE sites.deleted_at IS NULL
     GROUP BY clients.id ORDER BY lower(clients.name), clients.name`,
    { type: QueryTypes.SELECT },
  )
}

/** null: there is none, or it was deleted. */
export function findSite(id: string): Promise<SiteRow | null> {
  return SiteRow.findOne({ where: { id, deletedAt: null } })
}

/** The newest copy of a site with its plan; null before the first. */
export async function latestSnapshot(
  siteId: string,
  transaction?: Transaction,
): Promise<{ snapshot: SnapshotRow; plan: PlanRow } | null> {
  const snapshot = await SnapshotRow.findOne({
    where: { siteId },
    order: [['receivedAt', 'DESC']],
    transaction: transaction ?? null,
  })
  if (!snapshot) return null
  const plan = await PlanRow.findOne({ where: { snapshotId: snapshot.id }, transaction: transaction ?? null })
  if (!plan) throw new Error(`snapshot ${snapshot.id} has no plan`)
  return { snapshot, plan }
}

export function listFiles(snapshotId: string): Promise<FileRow[]> {
  return FileRow.findAll({ where: { snapshotId }, order: [['path', 'ASC']] })
}

/** Copies of other sites with the same files, byte for byte, oldest first. */
export async function copiesLike({
  id,
  digest,
}: SnapshotRow): Promise<{ siteId: string; name: string; receivedAt: Date }[]> {
  const others = await SnapshotRow.findAll({ where: { digest, id: { [Op.ne]: id } }, order: [['receivedAt', 'ASC']] })
  const sites = await SiteRow.findAll({ where: { id: others.map(({ siteId }) => siteId), deletedAt: null } })
  return others.flatMap(({ siteId, receivedAt }) => {
    const name = sites.find((site) => site.id === siteId)?.name
    return name === undefined ? [] : [{ siteId, name, receivedAt }]
  })
}
