import { readdir, readFile, stat } from 'node:fs/promises'
import { join, relative, sep } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { roleSchema } from '@undo-ink/contracts'
import type { Sequelize } from 'sequelize'
import * as z from 'zod'
import { LoadedDemoRow } from './db/models.ts'
import { stageUpload, type UploadedFile } from './features/intake/staging.ts'
import { findJob } from './features/jobs/store.ts'
import { checkRoles } from './features/palettes/roles.ts'
import { createSite } from './features/sites/store.ts'

const brandSchema = z.strictObject({ site: z.string(), client: z.string(), roles: z.array(roleSchema) })

/** Milliseconds between two looks whether the demo is read. */
const EVERY = 50

/** Takes the demo site in, once in the life of a database: a demo that was loaded before is not loaded again. */
export async function loadDemo(sequelize: Sequelize, folder: string): Promise<void> {
  const { site, client, roles } = brandSchema.parse(JSON.parse(await readFile(join(folder, 'brand.json'), 'utf8')))
  if (await LoadedDemoRow.findByPk(site)) return
  checkRoles(roles)
  const row = await createSite(sequelize, { name: site, client: { name: client }, roles })
  // Whoever has a site of that name keeps it.
  if (typeof row !== 'string') {
    const { id } = await stageUpload(sequelize, row.id, { kind: 'files' }, await filesIn(join(folder, 'site')))
    while (['waiting', 'running'].includes((await findJob(id))?.state ?? 'done')) await wait(EVERY)
  }
  await LoadedDemoRow.create({ name: site })
}

async function filesIn(folder: string): Promise<UploadedFile[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true })
  const files = entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name))
  return Promise.all(
    files.map(async (at) => ({ name: relative(folder, at).split(sep).join('/'), size: (await stat(at)).size, at })),
  )
}
