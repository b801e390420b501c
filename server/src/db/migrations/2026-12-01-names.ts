import type { Migration } from '../migration.ts'

/** Names of archives in the bytes that they came in, and how they were read; files that are left out for their names. */
export const names: Migration = {
  name: '2026-12-01-names',
  up: `
    ALTER TABLE files ADD COLUMN raw_name bytea;
    ALTER TABLE snapshots ADD COLUMN name_encoding text;
    ALTER TABLE files DROP CONSTRAINT files_check,
      ADD CONSTRAINT files_kept CHECK (
        (sha256 IS NULL) = (skipped IS NOT NULL AND skipped IN ('too-large', 'name-too-long', 'name-unsafe')));
  `,
}
