import { randomUUID } from 'node:crypto'
import type { NewView, View } from '@undo-ink/contracts'
import { UniqueConstraintError } from 'sequelize'
import { ViewRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'

/** The views that are kept for a site, by name. */
export async function listViews(siteId: string): Promise<View[]> {
  const rows = await ViewRow.findAll({ where: { siteId }, order: [['name', 'ASC']] })
  return rows.map(describe)
}

export async function keepView(siteId: string, { name, query }: NewView): Promise<View> {
  try {
    return describe(await ViewRow.create({ id: randomUUID(), siteId, name, query }))
  } catch (error) {
    if (error instanceof UniqueConstraintError)
      throw new Refusal('conflict', `There is a view called ${name} already`, 'Give this one another name.')
    throw error
  }
}

/** Forgets a view; one that is gone already is no trouble. */
export async function forgetView(id: string): Promise<void> {
  await ViewRow.destroy({ where: { id } })
}

function describe({ id, name, query }: ViewRow): View {
  return { id, name, query }
}
