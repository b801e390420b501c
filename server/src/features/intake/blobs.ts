import { QueryTypes, type Sequelize } from 'sequelize'

/** Keeps bytes under their hash; copies that hold the same file share it. @param blobs by their hash */
export async function keepBlobs(sequelize: Sequelize, blobs: ReadonlyMap<string, Buffer>): Promise<void> {
  if (blobs.size === 0) return
  // Who keeps some at the same time keeps them in the same order: neither waits for what the other has just kept.
  const rows = [...blobs].toSorted(([a], [b]) => (a < b ? -1 : 1))
  const values = rows.map((_, i) => `($${2 * i + 1}, $${2 * i + 2})`)
  await sequelize.query(`INSERT INTO blobs (sha256, bytes) VALUES ${values} ON CONFLICT DO NOTHING`, {
    bind: rows.flat(),
    type: QueryTypes.INSERT,
  })
}

/** Forgets those of some bytes that no copy holds, with what was read from them: an intake that ends in a refusal leaves nothing. */
export async function dropUnused(sequelize: Sequelize, sha256s: readonly string[]): Promise<void> {
  await sequelize.query(
    `DELETE FROM blobs WHERE sha256 = ANY($1) AND NOT EXISTS (SELECT FROM files WHERE files.sha256 = blobs.sha256)`,
    { bind: [sha256s], type: QueryTypes.DELETE },
  )
}
