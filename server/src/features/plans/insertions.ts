import { decode, type Insertion, type Role, readSource } from '@undo-ink/core'
import { FileRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { loadBytes } from '../audit/store.ts'
import { checkGround } from '../palettes/roles.ts'

/** Refuses rules for files that are not read, or in which something is left open at the end, so that a rule behind it would not hold. */
export async function checkInsertions(
  snapshotId: string,
  insertions: readonly Insertion[],
  roles: readonly Role[],
): Promise<void> {
  for (const { to } of insertions) checkGround(to, roles)
  const paths = [...new Set(insertions.map(({ path }) => path))]
  const files = await FileRow.findAll({ where: { snapshotId, path: paths, skipped: null } })
  for (const path of paths) {
    const file = files.find((each) => each.path === path)
    const source = file?.sha256 ? decode(path, await loadBytes(file.sha256)) : 'missing'
    if (typeof source === 'string') throw new Refusal('invalid-event', 'The copy has no such text', path)
    if (readSource(source).findings.some(({ code }) => code.startsWith('unclosed')))
      throw new Refusal(
        'invalid-event',
        'Something in this sheet is never closed: a rule behind it would not hold',
        path,
      )
  }
}
