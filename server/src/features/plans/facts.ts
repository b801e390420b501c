import { decode, type EventFacts, filesNamed, type PlanEvent, type PlanState, type Range } from '@undo-ink/core'
import type { Transaction } from 'sequelize'
import { FileRow, type PlanRow } from '../../db/models.ts'
import { placesOfFile } from '../audit/service.ts'
import { loadBytes } from '../audit/store.ts'
import { paletteVersions, rolesOf } from '../palettes/store.ts'

/** What is asked of a copy and a palette before an event is recorded; all of it by the transaction's own connection. */
export async function factsFor(
  plan: PlanRow,
  { paletteVersion }: PlanState,
  event: PlanEvent,
  transaction: Transaction,
): Promise<EventFacts> {
  const { paths, texts } = filesNamed(event)
  const files =
    paths.length === 0
      ? []
      : await FileRow.findAll({ where: { snapshotId: plan.snapshotId, path: [...paths] }, transaction })
  const read = new Map<string, { text: string; places: readonly Range[] }>()
  for (const file of files) {
    if (!texts.includes(file.path) || file.skipped !== null || file.sha256 === null) continue
    const source = decode(file.path, await loadBytes(file.sha256, transaction))
    if (typeof source === 'string') continue
    const places = await placesOfFile(file.id, transaction)
    read.set(file.path, { text: source.text, places: places.map(({ range }) => range) })
  }
  const versions = event.kind === 'palette' ? await paletteVersions(plan.paletteId, transaction) : []
  const asksForRoles = event.kind === 'decide' || event.kind === 'insert'
  return {
    roles: asksForRoles ? await rolesOf(plan.paletteId, paletteVersion, transaction) : [],
    paletteVersions: versions.map(({ version }) => version),
    hasFile: (path) => files.some((file) => file.path === path),
    textOf: (path) => read.get(path) ?? null,
  }
}
