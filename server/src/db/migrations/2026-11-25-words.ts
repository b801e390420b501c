import type { Migration } from '../migration.ts'

/** What the pages of a copy show, with the places that paint it. Audits that were made before have none until they are made anew. */
export const words: Migration = {
  name: '2026-11-25-words',
  up: 'ALTER TABLE audits ADD COLUMN words bytea;',
}
