import type { Migration } from '../migration.ts'

export const readingVersion: Migration = {
  name: '2026-11-25-reading-version',
  up: `
    ALTER TABLE audits ADD COLUMN reading_version integer NOT NULL DEFAULT 1;
    ALTER TABLE audits ALTER COLUMN reading_version DROP DEFAULT;
  `,
}
