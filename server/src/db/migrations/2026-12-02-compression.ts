import type { Migration } from '../migration.ts'

/** Bytes of copies are compressed in a third of the time, where the database can. */
export const compression: Migration = {
  name: '2026-12-02-compression',
  up: `
    DO $$ BEGIN
      ALTER TABLE blobs ALTER COLUMN bytes SET COMPRESSION lz4;
      ALTER TABLE upload_chunks ALTER COLUMN bytes SET COMPRESSION lz4;
    EXCEPTION WHEN feature_not_supported THEN
      NULL;
    END $$;
  `,
}
