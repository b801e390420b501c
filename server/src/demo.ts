import { readdir, readFile, stat } from 'node:fs/promises'
import { join, relative, sep } from 'node:path'
import { roleSchema } from '@undo-ink/contracts'
import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { LoadedDemoRow } from './db/models.ts'
import type { Auditor } from './features/audit/service.ts'
import type { ReceivedFile } from './features/intake/received.ts'
import { takeIn } from './features/intake/service.ts'
import { checkRoles } from './features/plans/service.ts'
import { createSite } from './features/sites/store.ts'

const brandSchema = z.strictObject({ site: z.string(), client: z.string(), roles: z.array(roleSchema) })

/** Takes the demo site in, once in the life of a database: a demo that was loaded before is not loaded again. */
export async function loadDemo(sequelize: Sequelize, auditor: Auditor, folder: string): Promise<void> {
  const { site, client, roles } = brandSchema.parse(JSON.parse(await readFile(join(folder, 'brand.json'), 'utf8')))
  if (await LoadedDemoRow.findByPk(site)) return
  checkRoles(roles)
  const row = await createSite(sequelize, { name: site, client, roles })
  // Whoever has a site of that name keeps it.
  if (row) await auditor.audit(await takeIn(sequelize, row.id, await filesIn(join(folder, 'site'))))
  await LoadedDemoRow.create({ name: site })
}

async function filesIn(folder: string): Promise<ReceivedFile[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true })
  const files = entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name))
  return Promise.all(
    files.map(async (file) => ({
      path: relative(folder, file).split(sep).join('/'),
      size: (await stat(file)).size,
      bytes: () => readFile(file),
    })),
  )
}
