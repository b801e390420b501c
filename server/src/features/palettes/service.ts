import type { Palette } from '@undo-ink/contracts'
import type { Transaction } from 'sequelize'
import { ClientRow, PlanRow, SiteRow, SnapshotRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { planState } from '../plans/folds.ts'
import { findPalette, paletteVersions, rolesOfVersions } from './store.ts'

export async function getPalette(id: string): Promise<Palette> {
  const palette = await findPalette(id)
  if (!palette) throw new Refusal('not-found', 'There is no such palette')
  const [client, versions, roles, sites, plans] = await Promise.all([
    ClientRow.findByPk(palette.clientId, { rejectOnEmpty: true }),
    paletteVersions(id),
    rolesOfVersions(id),
    SiteRow.findAll({ where: { clientId: palette.clientId, deletedAt: null }, order: [['createdAt', 'ASC']] }),
    plansOn(id),
  ])
  const snapshots = await SnapshotRow.findAll({ where: { siteId: sites.map((site) => site.id) } })
  const versionOf = (siteId: string) => {
    const own = snapshots.filter((snapshot) => snapshot.siteId === siteId).map((snapshot) => snapshot.id)
    return plans.find(({ plan }) => own.includes(plan.snapshotId))?.version ?? null
  }
  return {
    id,
    client: client.name,
    versions: versions.map(({ version, createdAt }) => ({
      version,
      createdAt: createdAt.toISOString(),
      roles: roles.get(version) ?? [],
    })),
    sites: sites.map((site) => ({ id: site.id, name: site.name, version: versionOf(site.id) })),
  }
}

/** Every plan on a palette, with the version that it is on. */
async function plansOn(paletteId: string, transaction?: Transaction): Promise<{ plan: PlanRow; version: number }[]> {
  const plans = await PlanRow.findAll({ where: { paletteId }, transaction: transaction ?? null })
  const on: { plan: PlanRow; version: number }[] = []
  // One after the other: a transaction has one connection.
  for (const plan of plans) on.push({ plan, version: (await planState(plan, transaction)).paletteVersion })
  return on
}

/** The newest version that is in use: the highest that any plan is on, since one that was undone is on none; before the first plan the newest that there is. */
export async function versionInUse(paletteId: string, transaction: Transaction): Promise<number> {
  const plans = await plansOn(paletteId, transaction)
  const made = await paletteVersions(paletteId, transaction)
  return plans.length > 0 ? Math.max(...plans.map(({ version }) => version)) : (made.at(-1)?.version ?? 1)
}
