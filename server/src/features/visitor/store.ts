import { randomBytes } from 'node:crypto'
import { Op, type Transaction } from 'sequelize'
import { FileRow, VisitorNameRow } from '../../db/models.ts'

/** Gives a snapshot and its plan each an unguessable name: 160 bits, in the letters that a host name allows. */
export async function addVisitorNames(snapshotId: string, planId: string, transaction: Transaction): Promise<void> {
  for (const plan of [null, planId])
    await VisitorNameRow.create(
      { token: `v${randomBytes(20).toString('hex')}`, snapshotId, planId: plan },
      { transaction },
    )
}

export function findVisitorName(token: string): Promise<VisitorNameRow | null> {
  return VisitorNameRow.findByPk(token)
}

export function visitorNamesOf(snapshotId: string): Promise<VisitorNameRow[]> {
  return VisitorNameRow.findAll({ where: { snapshotId } })
}

/** The file at the first of some paths that the snapshot keeps. */
export async function findFirstFile(snapshotId: string, paths: readonly string[]): Promise<FileRow | null> {
  const rows = await FileRow.findAll({ where: { snapshotId, path: [...paths] } })
  for (const path of paths) {
    const row = rows.find((each) => each.path === path && each.sha256 !== null)
    if (row) return row
  }
  return null
}

/** The paths of all files that a snapshot keeps. */
export async function keptPaths(snapshotId: string): Promise<string[]> {
  const rows = await FileRow.findAll({ where: { snapshotId, sha256: { [Op.ne]: null } }, attributes: ['path'] })
  return rows.map(({ path }) => path)
}
