import { randomUUID } from 'node:crypto'
import type { Role } from '@undo-ink/core'
import { Op, type Sequelize, type Transaction, UniqueConstraintError } from 'sequelize'
import {
  ClientRow,
  FileRow,
  PaletteRow,
  PaletteVersionRow,
  PlanRow,
  RoleRow,
  SiteRow,
  SnapshotRow,
} from '../../db/models.ts'

/** Makes a site with its client and the client's palette, whose first version has the roles given; null when the name is taken. */
export async function createSite(
  sequelize: Sequelize,
  { name, client, roles }: { name: string; client: string; roles: readonly Role[] },
): Promise<SiteRow | null> {
  try {
    return await sequelize.transaction(async (transaction) => {
      const owner = await ClientRow.create({ id: randomUUID(), name: client }, { transaction })
      const palette = await PaletteRow.create({ id: randomUUID(), clientId: owner.id }, { transaction })
      await addPaletteVersion(palette.id, 1, roles, transaction)
      return SiteRow.create({ id: randomUUID(), clientId: owner.id, name, createdAt: new Date() }, { transaction })
    })
  } catch (error) {
    if (error instanceof UniqueConstraintError) return null
    throw error
  }
}

export async function addPaletteVersion(
  paletteId: string,
  version: number,
  roles: readonly Role[],
  transaction: Transaction,
): Promise<void> {
  await PaletteVersionRow.create({ paletteId, version }, { transaction })
  await RoleRow.bulkCreate(
    roles.map(({ id, name, color, serves, on, made }, position) => ({
      ...{ paletteId, version, id, position, name, color },
      ...{ serves: serves ?? null, onRoles: on ?? null, made: made ?? null },
    })),
    { transaction },
  )
}

export function listSites(): Promise<SiteRow[]> {
  return SiteRow.findAll({ order: [['createdAt', 'DESC']] })
}

export function findSite(id: string): Promise<SiteRow | null> {
  return SiteRow.findByPk(id)
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

export function countFiles(snapshotId: string): Promise<number> {
  return FileRow.count({ where: { snapshotId } })
}

/** Copies of other sites with the same files, byte for byte, oldest first. */
export async function copiesLike({
  id,
  digest,
}: SnapshotRow): Promise<{ siteId: string; name: string; receivedAt: Date }[]> {
  const others = await SnapshotRow.findAll({ where: { digest, id: { [Op.ne]: id } }, order: [['receivedAt', 'ASC']] })
  const sites = await SiteRow.findAll({ where: { id: others.map(({ siteId }) => siteId) } })
  return others.map(({ siteId, receivedAt }) => {
    return { siteId, name: sites.find((site) => site.id === siteId)?.name ?? '', receivedAt }
  })
}
