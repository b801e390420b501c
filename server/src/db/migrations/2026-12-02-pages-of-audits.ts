import type { Migration } from '../migration.ts'

/** The pages of a copy as scopes ask for them, apart from all else. Audits are made anew from what is read. */
export const pagesOfAudits: Migration = {
  name: '2026-12-02-pages-of-audits',
  up: 'DELETE FROM audits; ALTER TABLE audits ADD COLUMN pages bytea NOT NULL;',
}
