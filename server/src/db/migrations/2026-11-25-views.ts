import type { Migration } from '../migration.ts'

/** Views of the ledger that are kept under a name. */
export const views: Migration = {
  name: '2026-11-25-views',
  up: `
    CREATE TABLE views (
      id uuid PRIMARY KEY,
      site_id uuid NOT NULL REFERENCES sites,
      name text NOT NULL CHECK (name <> ''),
      query text NOT NULL
    );
    CREATE UNIQUE INDEX views_name ON views (site_id, lower(name));
  `,
}
