import { QueryTypes, type Sequelize } from 'sequelize'

/** Keeps bytes under their hash; copies that hold the same file share it. */
export async function keepBlob(sequelize: Sequelize, sha256: string, bytes: Buffer): Promise<void> {
  await sequelize.query('INSERT INTO blobs (sha256, bytes) VALUES ($1, $2) ON CONFLICT DO NOTHING', {
    bind: [sha256, bytes],
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
